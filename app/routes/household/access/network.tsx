import { useForm } from "@conform-to/react";
import type { SubmissionResult } from "@conform-to/react";
import { Form, href } from "react-router";
import { Button } from "#ui/button";
import { FormErrors, KeyedForm, keyFor, OneTap, resultOf, TextField } from "#ui/form";
import { Part } from "#ui/page";
import type { Reach } from "#core/guard";
import { MAY_WORDS } from "../../../words/reach";
import { longDay, type Times } from "../../../words/time";

interface Loaded {
  network: boolean;
  times: Times;
  device: string;
  screen: string;
  addresses: string[];
  port: string;
  sessions: { id: string; device: string; createdAt: number; seenAt: number; may: Reach }[];
  secure: object | null;
}

/** The passphrase, how to serve the kitchen, and the screens that are in. */
export function NetworkPart({
  formKey,
  set,
  result,
  loaded: { network, times, device, screen, addresses, port, sessions, secure },
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
            ? "On the network: every screen signs in once."
            : set
              ? "A passphrase is set. Only this computer can use it until it is started for the network."
              : "Only this computer can use it. Set a passphrase to let other devices in."}
        </p>
        {set && !network && (
          <p className="mt-2">
            Start it with <code className="code">npm start -- --network</code>
            {addresses[0] && (
              <>
                {" "}
                . To connect a phone or tablet, open{" "}
                <span className="code">
                  http://{addresses[0]}:{port}
                </span>{" "}
                on it
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
          <Button>{set ? "Change it: every screen signs in again" : "Set the passphrase"}</Button>
        </KeyedForm>
        <p className="mt-3 text-soft">
          {network && !secure && "Let your proxy serve it over https. "}Do not open the larder to the
          internet.
        </p>
      </Part>
      <Part title="This screen">
        <Form method="post" action={href("/prefs")} className="flex items-end gap-3">
          <input type="hidden" name="back" value={href("/household/access")} />
          <label className="flex-1">
            <span className="block font-[650]">Name in the history</span>
            <input
              name="screen"
              defaultValue={screen}
              placeholder={device}
              maxLength={40}
              autoComplete="off"
              className="input mt-1"
            />
          </label>
          <Button>Save name</Button>
        </Form>
      </Part>
      {sessions.length > 0 && (
        <Part title="Devices signed in">
          <ul className="divide-y-2 divide-rule border-y-2 border-rule">
            {sessions.map((s) => (
              <li key={s.id} className="flex items-center justify-between gap-4 py-2">
                <span>
                  <span className="font-[650]">{s.device}</span>
                  {s.may !== "all" && `, ${MAY_WORDS[s.may]}`}
                  <span className="block text-soft">
                    last seen {longDay(s.seenAt, times)}, signed in {longDay(s.createdAt, times)}
                  </span>
                </span>
                <OneTap says={{ key: keyFor(formKey, s.id), intent: "put-out", id: s.id }}>
                  <Button weight="stop">Sign out</Button>
                </OneTap>
              </li>
            ))}
          </ul>
        </Part>
      )}
    </div>
  );
}
