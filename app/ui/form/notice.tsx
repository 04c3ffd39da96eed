import type { FormMetadata } from "@conform-to/react";
import { useLayoutEffect, useRef, useState, type MouseEvent, type ReactNode } from "react";
import { Button } from "#ui/button";

/**
 * What is wrong with a form, above its button: what is wrong with it as a whole, and where several fields are to be
 * corrected a way to each of them.
 */
export function FormErrors({
  form,
}: {
  form: Pick<FormMetadata<Record<string, unknown>>, "id" | "errors" | "errorId" | "allErrors">;
}) {
  const errors = Object.entries(form.allErrors).filter(([name]) => name !== "");
  const said = JSON.stringify(errors);
  // What is wrong with something that is no field of this form, and is not said elsewhere, has no other place than here.
  const [apart, setApart] = useState<Apart>({ elsewhere: [], nowhere: [] });
  const own = useRef<HTMLDivElement>(null);
  useLayoutEffect(() => {
    setApart(apartOf(form.id, JSON.parse(said), own.current));
  }, [form.id, said]);
  const fields = errors.filter(([name]) => !apart.elsewhere.includes(name));
  const listed = fields.length > 1 || apart.nowhere.length > 0;
  if (!form.errors?.length && !listed) return null;
  return (
    <Notice tone="stop" id={form.errorId}>
      {form.errors?.join(" ")}
      {listed && (
        <div ref={own}>
          {fields.length > 1 && <p className="font-[650]">{fields.length} fields to correct:</p>}
          <ul className="list-disc pl-5">
            {fields.map(([name, errors]) => (
              <li key={name}>
                <a
                  href={`#${form.id}-${name}`}
                  className="inline-flex min-h-12 items-center underline"
                  onClick={(e) => goTo(e, form.id, name)}
                >
                  {errors.join(" ")}
                </a>
              </li>
            ))}
          </ul>
        </div>
      )}
    </Notice>
  );
}

/** Names of errors that are of no field one can see: said in another place, or nowhere yet. */
interface Apart {
  elsewhere: string[];
  nowhere: string[];
}

function apartOf(
  formId: string,
  errors: readonly (readonly [string, string[]])[],
  own: Element | null,
): Apart {
  const form = document.getElementById(formId);
  const alerts = [...document.querySelectorAll("[role=alert], [id$='-error'], [id$='-problem']")].filter(
    (e) => !own?.contains(e) && !(own && e.contains(own)),
  );
  const apart: Apart = { elsewhere: [], nowhere: [] };
  for (const [name, messages] of errors) {
    if (form?.querySelector(`[name="${CSS.escape(name)}"]:not([type=hidden])`)) continue;
    const isSaid = alerts.some((e) => messages.some((m) => e.textContent?.includes(m)));
    apart[isSaid ? "elsewhere" : "nowhere"].push(name);
  }
  return apart;
}

/** Puts the keyboard into a field by its name: a list that is a button has no field by its address. */
function goTo(e: MouseEvent, formId: string, name: string): void {
  const form = document.getElementById(formId);
  const by =
    document.getElementById(`${formId}-${name}`) ?? form?.querySelector(`[name="${CSS.escape(name)}"]`);
  if (!(by instanceof HTMLElement)) return;
  e.preventDefault();
  by.focus();
  by.scrollIntoView({ block: "center" });
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
