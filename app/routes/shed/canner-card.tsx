import { useForm } from "@conform-to/react";
import type { z } from "zod";
import { href, Link } from "react-router";
import type { Route } from "./+types/route";
import { formatFraction, formatPressure, psiFromKPa, type UnitSystem } from "#core/quantity";
import { GAUGE_REPLACE_PSI, settingsFor } from "#core/schedule";
import type { Canner } from "#store/equipment";
import { Button } from "#ui/button";
import { FormErrors, KeyedForm, Notice, PickField, TextField } from "#ui/form";
import { Canner as Drawing } from "../../ui/bench/place-drawing";
import { longDay, type Times } from "../../words/time";
import type { checkSchema } from "./gauge-test";
import { StandingLine } from "./standing-line";

type CannerData = Route.ComponentProps["loaderData"]["canners"][number];

function standingWords(c: CannerData, times: Times): { tone: "good" | "care" | "stop"; text: string } | null {
  switch (c.standing) {
    case "none":
      return null;
    case "sound":
      return { tone: "good", text: `Tested; due again ${longDay(c.dueAt!, times)}.` };
    case "overdue":
      return {
        tone: "care",
        text: `Overdue since ${longDay(c.dueAt!, times)}. To use this dial, write a reason.`,
      };
    case "untested":
      return {
        tone: "care",
        text: "Never tested. To use this dial, write a reason. Extension offices test gauges.",
      };
    case "replace":
      return {
        tone: "stop",
        text: `Off by more than ${GAUGE_REPLACE_PSI} lb: replace the dial (common practice; some offices say 1 lb).`,
      };
  }
}

/** One canner: what it is, what it holds pressure with, and the tests of its dial. */
export function CannerCard({
  canner: c,
  units,
  today,
  times,
  result,
}: {
  canner: CannerData & Canner;
  units: UnitSystem;
  today: string;
  times: Times;
  result: Parameters<typeof useForm>[0]["lastResult"];
}) {
  const mine =
    result && (result.initialValue as { cannerId?: string } | undefined)?.cannerId === c.id
      ? result
      : undefined;
  const [form, fields] = useForm<z.input<typeof checkSchema>>({
    id: `check-${c.id}`,
    lastResult: mine as never,
  });
  const standing = standingWords(c, times);
  const error = c.gauges.dial?.errorPsi;
  return (
    <article className="border-t-4 border-bench pt-4">
      <div className="flex gap-5">
        <Drawing steaming={false} lit={false} />
        <div>
          <h2 className="text-[1.4rem]">
            <Link
              to={href("/shed/:id", { id: c.id })}
              className="underline decoration-rule decoration-2 underline-offset-4"
            >
              {c.name}
            </Link>
          </h2>
          <p>
            {c.quarts ? (
              `${formatFraction(c.quarts)} quarts`
            ) : (
              <span className="text-amber">How many quarts is it?</span>
            )}
            , limit {formatPressure(c.safeMaxKPa, units)}
          </p>
          <p>holds {c.holds}</p>
          <p className="text-soft">
            {[
              c.hasDial ? "dial gauge" : "",
              c.weightPieces.length
                ? `weight at ${settingsFor(c.weightPieces, psiFromKPa(c.safeMaxKPa)).join(" or ")} lb`
                : "",
            ]
              .filter(Boolean)
              .join(" and ")}
          </p>
        </div>
        {c.hasDial === 1 && error != null && (
          <div className="ml-auto text-right">
            <div className="fig text-[2.6rem] leading-none font-bold">
              {Math.abs(error) < 0.05
                ? "true"
                : `${error > 0 ? "+" : "−"}${formatFraction(Math.abs(Math.round(psiFromKPa(c.checks[0]!.errorKPa) * 10) / 10), 1)}`}
              {Math.abs(error) >= 0.05 && <span className="text-[0.55em]"> lb</span>}
            </div>
            <div className="text-soft">
              {Math.abs(error) < 0.05 ? "dial reads" : error > 0 ? "dial reads high" : "dial reads low"}
            </div>
          </div>
        )}
      </div>
      <div className="mt-2">
        <StandingLine standings={c.looks} />
      </div>
      {standing && (
        <Notice tone={standing.tone} className="mt-3">
          {standing.text}
        </Notice>
      )}
      {c.hasDial === 1 ? (
        <details className="mt-3" open={Boolean(mine)}>
          <summary className="flex min-h-12 cursor-pointer items-center font-[650]">
            Record a gauge test
          </summary>
          <KeyedForm form={form} formKey={c.key} intent="check" className="space-y-3">
            <input type="hidden" name="cannerId" value={c.id} />
            <div className="grid gap-3 sm:grid-cols-2">
              <TextField
                field={fields.testedOn}
                label="Tested on"
                type="date"
                max={today}
                defaultValue={(fields.testedOn.initialValue as string | undefined) ?? today}
              />
              <TextField
                field={fields.amount}
                label="Off by"
                hint={units === "us" ? "pounds, 0 when true" : "kPa, 0 when true"}
                defaultValue={(fields.amount.initialValue as string | undefined) ?? "0"}
              />
            </div>
            <PickField
              field={fields.way}
              label="It reads"
              options={[
                { value: "true", label: "true" },
                { value: "high", label: "high" },
                { value: "low", label: "low" },
              ]}
            />
            <div className="grid gap-3 sm:grid-cols-2">
              <TextField field={fields.testedBy} label="Tested by" hint="Example: extension office, Ada" />
              <TextField field={fields.against} label="Tested against" hint="Example: master gauge no. 12" />
            </div>
            <FormErrors form={form} />
            <Button>Record gauge test</Button>
          </KeyedForm>
          {c.checks.length > 0 && (
            <ul className="mt-3 text-[0.95rem] text-soft">
              {c.checks.map((x) => (
                <li key={x.id}>
                  {longDay(x.at, times)}:{" "}
                  {Math.abs(x.errorKPa) < 0.3
                    ? "true"
                    : `${formatPressure(Math.abs(x.errorKPa), units)} ${x.errorKPa > 0 ? "high" : "low"}`}
                  {x.testedBy && `, by ${x.testedBy} against ${x.against ?? "nothing named"}`}
                </li>
              ))}
            </ul>
          )}
        </details>
      ) : (
        <p className="mt-2 text-soft">
          A weight needs no yearly test: keep its vent clear and its pieces together.
        </p>
      )}
    </article>
  );
}
