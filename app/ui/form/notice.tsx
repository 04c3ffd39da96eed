import type { FormMetadata } from "@conform-to/react";
import type { ReactNode } from "react";
import { Button } from "#ui/button";

/** What is wrong with a form as a whole, above its button. */
export function FormErrors({
  form,
}: {
  form: Pick<FormMetadata<Record<string, unknown>>, "errors" | "errorId">;
}) {
  if (!form.errors?.length) return null;
  return (
    <Notice tone="stop" id={form.errorId}>
      {form.errors.join(" ")}
    </Notice>
  );
}

const TONES = {
  stop: "border-stop text-stop",
  care: "border-amber text-ink",
  good: "border-moss text-ink",
  plain: "border-rule text-ink",
} as const;

/** A few sentences that must be seen. */
export function Notice({
  tone,
  children,
  id,
  className = "",
}: {
  tone: keyof typeof TONES;
  children: ReactNode;
  id?: string;
  className?: string;
}) {
  return (
    <div
      id={id}
      role={tone === "stop" ? "alert" : undefined}
      className={`border-l-[6px] py-1 pl-4 ${TONES[tone]} ${className}`}
    >
      {children}
    </div>
  );
}

/** Asks once about something unlikely but possible; pressing the button sends the form again, confirmed. */
export function ConfirmUnlikely({ question, answer }: { question: string[] | undefined; answer: string }) {
  if (!question?.length) return null;
  return (
    <Notice tone="care" className="space-y-2">
      <p role="alert" className="font-[650]">
        {question.join(" ")}
      </p>
      <Button weight="quiet" name="confirmed" value="yes">
        {answer}
      </Button>
    </Notice>
  );
}
