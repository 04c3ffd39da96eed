import type { SubmissionResult } from "@conform-to/react";
import { Button } from "#ui/button";
import type { Reach } from "#core/guard";
import { KeyedForm, keyFor, Notice, PickTile, problemOf, resultOf } from "#ui/form";
import { Part } from "#ui/page";
import { MAY_CHOICES } from "../../../words/reach";
import { clockTime, type Times } from "../../../words/time";

/** A code as it is shown once, with the picture a phone reads. */
export interface ShownCode {
  code: string;
  /** ms since 1970 UTC */
  until: number;
  may: Reach;
  url: string;
  qr: { path: string; size: number };
}

/** Lets a phone or tablet in without the passphrase: a QR code that works once. */
export function ConnectPart({
  formKey,
  secure,
  code,
  times,
  result,
}: {
  formKey: string;
  secure: { trouble: string | null; fingerprint: string | null; url: string };
  code: ShownCode | null;
  times: Times;
  result: SubmissionResult | undefined;
}) {
  const problem = problemOf(resultOf(result, "pair"));
  return (
    <Part title="Connect a phone or tablet">
      {secure.trouble && (
        <Notice tone="care" className="mb-3">
          {secure.trouble}
        </Notice>
      )}
      {problem && (
        <Notice tone="stop" className="mb-3">
          {problem}
        </Notice>
      )}
      {code ? (
        <div role="status" className="flex flex-wrap items-start gap-6">
          <svg
            viewBox={`0 0 ${code.qr.size} ${code.qr.size}`}
            role="img"
            aria-label="QR code to connect a device"
            className="size-64 max-md:size-72"
          >
            {/* Black on white in every theme: a camera reads no other. */}
            <rect width="100%" height="100%" fill="#fff" />
            <path d={code.qr.path} fill="#000" />
          </svg>
          <div className="max-w-[16rem] space-y-2">
            <p className="font-[650]">Scan this with the phone's camera and follow its page.</p>
            <p className="code text-[2rem] whitespace-nowrap">{code.code}</p>
            <p className="text-soft">
              Works once, until {clockTime(code.until, times)}. Without a camera, open{" "}
              <span className="code [overflow-wrap:anywhere]">{code.url}</span> and type the code.
            </p>
          </div>
        </div>
      ) : (
        <p>
          Show a QR code here and scan it with the phone. Then the phone is signed in without the passphrase.
        </p>
      )}
      <KeyedForm
        form={{ id: "pair-device", onSubmit: () => undefined }}
        formKey={keyFor(formKey, code?.code ?? "pair")}
        intent="pair"
        className="mt-3"
      >
        <fieldset className="mb-3">
          <legend className="font-[650]">This device may</legend>
          <div className="mt-1 flex flex-wrap gap-2">
            {MAY_CHOICES.map((option) => (
              <PickTile
                key={option.value}
                name="may"
                option={option}
                checked={option.value === (code?.may ?? "all")}
              />
            ))}
          </div>
        </fieldset>
        <Button weight={code ? "quiet" : "do"}>{code ? "Show a new code" : "Show a QR code"}</Button>
      </KeyedForm>
      {secure.fingerprint && (
        <details className="mt-2">
          <summary className="flex min-h-12 cursor-pointer items-center underline underline-offset-4">
            Fingerprint of this household's certificate
          </summary>
          <p className="code [overflow-wrap:anywhere]">{secure.fingerprint}</p>
          <p className="text-soft">
            The phone's page shows the same one, unless somebody changed it on the way.
          </p>
        </details>
      )}
    </Part>
  );
}
