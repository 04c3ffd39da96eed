import { useForm } from "@conform-to/react";
import type { SubmissionResult } from "@conform-to/react";
import { Form } from "react-router";
import { Button } from "#ui/button";
import { FormErrors, KeyedForm, keyFor, OneTap, resultOf, TextField } from "#ui/form";
import { Part } from "#ui/page";
import { longDay } from "../../../words/time";

interface Loaded {
  network: boolean;
  zone: string;
  device: string;
  screen: string;
  addresses: string[];
  port: string;
  sessions: { id: string; device: string; createdAt: number; expiresAt: number }[];
}

/** The passphrase, how to serve the kitchen, and the screens that are in. */
export function NetworkPart({
  formKey,
  set,
  result,
  loaded: { network, zone, device, screen, addresses, port, sessions },
}: {
  formKey: string;
  set: boolean;
  result: SubmissionResult | undefined;
  loaded: Loaded;
}) {
  const [form, fields] = useForm<{ key: string; intent: string; passphrase: string }>({
    id: "passphrase",
    lastResult: resultOf(result, "passphrase"),
  });
  return (
    <div className="space-y-10">
      <Part title="On the kitchen’s network">
        <p className="text-[1.15rem] font-[650]">
          {network
            ? "Served to the network: every screen says the passphrase once."
            : set
              ? "A passphrase is set. Served to this machine only, until it is started for the network."
              : "Served to this machine only. Other devices need a passphrase first."}
        </p>
        {set && !network && (
          <p className="mt-2">
            Start it with <code className="code">HOST=0.0.0.0 npm start</code>
            {addresses[0] && (
              <>
                {" "}
                and open{" "}
                <span className="code">
                  http://{addresses[0]}:{port}
                </span>{" "}
                on the other screen
              </>
            )}
            .
          </p>
        )}
        <KeyedForm form={form} formKey={formKey} intent="passphrase" ownButton className="mt-4 space-y-3">
          <TextField
            field={fields.passphrase}
            label={set ? "A new passphrase" : "Passphrase"}
            hint="at least 15 letters; four or five plain words are good"
            type="password"
            autoComplete="new-password"
          />
          <FormErrors form={form} />
          <Button>{set ? "Change it; every screen says it anew" : "Set the passphrase"}</Button>
        </KeyedForm>
        <p className="mt-3 text-soft">
          A kitchen’s network carries it unencrypted, like everything on it. Do not open the larder to the
          internet.
        </p>
      </Part>
      <Part title="This screen">
        <Form method="post" action="/prefs" className="flex items-end gap-3">
          <input type="hidden" name="back" value="/household/keys" />
          <label className="flex-1">
            <span className="block font-[650]">What the history calls it</span>
            <input
              name="screen"
              defaultValue={screen}
              placeholder={device}
              maxLength={40}
              autoComplete="off"
              className="mt-1 min-h-12 w-full rounded border-2 border-ink bg-sheet px-3 py-2 text-[1.06rem]"
            />
          </label>
          <Button>Call it that</Button>
        </Form>
      </Part>
      {sessions.length > 0 && (
        <Part title={`Screens that are in: ${sessions.length}`}>
          <ul className="divide-y-2 divide-rule border-y-2 border-rule">
            {sessions.map((s) => (
              <li key={s.id} className="flex items-center justify-between gap-4 py-2">
                <span>
                  <span className="font-[650]">{s.device}</span>{" "}
                  <span className="text-soft">since {longDay(s.createdAt, zone)}</span>
                </span>
                <OneTap says={{ key: keyFor(formKey, s.id), intent: "put-out", id: s.id }}>
                  <Button weight="stop">Put it out</Button>
                </OneTap>
              </li>
            ))}
          </ul>
        </Part>
      )}
    </div>
  );
}
