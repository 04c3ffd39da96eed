import type { SubmissionResult } from "@conform-to/react";
import { href, Link } from "react-router";
import { kindKey } from "#core/capacity";
import { countOf } from "#core/quantity";
import { shapeOf } from "#core/schedule";
import type { Supply } from "#store/supply";
import { Button } from "#ui/button";
import { Drawer } from "#ui/drawer";
import { KeyedForm, keyFor } from "#ui/form";
import { ContainerGlyph } from "#ui/glyph";
import { Code } from "#ui/lotmark";
import { kindWords } from "../../words/plan";

const bare = (id: string) => ({ id, onSubmit: () => undefined });

/** Jars and cans as they stand, with how many; lids and ends box by box. */
export function Counted({
  supplies,
  formKey,
  result,
}: {
  supplies: readonly (Supply & { packs: { code: string; count: number }[] })[];
  formKey: string;
  result: SubmissionResult | undefined;
}) {
  const vessels = supplies.filter((s) => s.kind === "jar" || s.kind === "can");
  const kinds = [...new Set(vessels.map((s) => kindKey(s.container!, s.mouth)))];
  const lids = supplies.filter((s) => s.kind === "lid" || s.kind === "end");
  if (supplies.length === 0)
    return (
      <p className="text-soft">
        Nothing is counted yet. The plan uses your counts, and they go down as you pack.
      </p>
    );
  return (
    <>
      <ul className="flex flex-wrap items-end gap-x-7 gap-y-3 border-b-[8px] border-bench">
        {kinds.map((kind) => {
          const stacks = vessels.filter((s) => kindKey(s.container!, s.mouth) === kind);
          const shape = shapeOf(stacks[0]!.container!, stacks[0]!.mouth);
          const left = stacks.reduce((n, s) => n + s.left, 0);
          return (
            <li key={kind} className="flex flex-col items-center">
              <span className="fig text-[2rem] leading-none font-bold">{left}</span>
              <span className="text-[0.92rem] text-soft">{kindWords(kind, left).replace(/^\S+ /, "")}</span>
              <ContainerGlyph shape={shape} state="open" scale={0.45} label="" />
            </li>
          );
        })}
      </ul>
      {lids.length > 0 && (
        <ul className="mt-4">
          {lids.map((s) => (
            <li key={s.id} className="flex items-baseline gap-4 border-b-2 border-rule py-2">
              <span
                className={`fig w-14 text-right text-[1.7rem] leading-none font-bold ${s.left === 0 ? "text-stop" : ""}`}
              >
                {s.left}
              </span>
              <span>
                {s.kind === "lid"
                  ? `${s.mouth === "wide" ? "wide-mouth" : "regular"} lids`
                  : `ends for ${shapeOf(s.container!, null).plural}`}
                , <b>{s.label}</b>
                {s.packs.length > 0 && (
                  <details>
                    <summary className="flex min-h-12 cursor-pointer items-center text-soft underline decoration-rule decoration-2 underline-offset-4">
                      Where they went:{" "}
                      {countOf(
                        s.packs.reduce((n, p) => n + p.count, 0),
                        "container",
                      )}
                    </summary>
                    <ul className="flex flex-wrap gap-x-5">
                      {s.packs.map((p) => (
                        <li key={p.code}>
                          <Link
                            to={href("/c/:code", { code: p.code })}
                            className="flex min-h-12 items-center gap-2 text-ink"
                          >
                            {p.count} in <Code>{p.code}</Code>
                          </Link>
                        </li>
                      ))}
                    </ul>
                  </details>
                )}
              </span>
            </li>
          ))}
        </ul>
      )}
      <Drawer title="Count again" open={Boolean(result?.error)} className="mt-2">
        <ul className="space-y-3">
          {supplies.map((s) => {
            const mine =
              (result?.initialValue as { supplyId?: string } | undefined)?.supplyId === s.id
                ? result
                : undefined;
            const problem = Object.values(mine?.error ?? {}).flatMap((m) => m ?? []);
            return (
              <li key={s.id}>
                <KeyedForm
                  form={bare(`count-${s.id}`)}
                  formKey={keyFor(formKey, s.id)}
                  intent="count"
                  className="flex flex-wrap items-center gap-3"
                >
                  <input type="hidden" name="supplyId" value={s.id} />
                  <label className="flex items-center gap-3">
                    <input
                      name="left"
                      inputMode="numeric"
                      autoComplete="off"
                      defaultValue={(mine?.initialValue as { left?: string } | undefined)?.left ?? s.left}
                      aria-invalid={problem.length > 0 ? true : undefined}
                      className="input w-24"
                    />
                    <span>
                      {s.kind === "lid"
                        ? `${s.mouth === "wide" ? "wide-mouth" : "regular"} lids`
                        : s.kind === "end"
                          ? `ends for ${shapeOf(s.container!, null).plural}`
                          : shapeOf(s.container!, s.mouth).plural}
                      , {s.label}
                    </span>
                  </label>
                  <Button className="px-3">That many</Button>
                </KeyedForm>
                {problem.length > 0 && (
                  <p role="alert" className="mt-1 font-[600] text-stop">
                    ✕ {problem.join(" ")}
                  </p>
                )}
              </li>
            );
          })}
        </ul>
      </Drawer>
    </>
  );
}
