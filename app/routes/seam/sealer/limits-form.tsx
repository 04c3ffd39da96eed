import type { SubmissionResult } from "@conform-to/react";
import { Form, href, Link } from "react-router";
import { SHAPES, isCan } from "#core/schedule";
import { DIMENSIONS, DIMENSION_NAMES, isPercent, type SeamDimension } from "#core/seam";
import { Button } from "#ui/button";
import { FieldError, NoEnter, keyFor } from "#ui/form";
import { figureWords } from "../../../words/seam";
import type { SealerData } from "./data";

const BOX = "input px-2";

/** The limits in force, and a field over each for the maker's own. */
export function LimitsForm({ data, result }: { data: SealerData; result: SubmissionResult | undefined }) {
  const { units, limits, size } = data;
  const errors = result?.error ?? {};
  const before = (result?.initialValue ?? {}) as Record<string, string | undefined>;
  const value = (d: SeamDimension, end: "low" | "high") => {
    const typed = before[`${d}${end === "low" ? "Low" : "High"}`];
    const own = data.own?.ranges[d]?.[end];
    return typed ?? (own == null ? "" : figureWords(d, own, units));
  };
  return (
    <div id="limits">
      <p className="mb-3 max-w-[52rem]">
        {limits.typical ? (
          <>
            <b>Typical, from memory.</b> They stand in until you enter what the maker of your cans and sealer
            gives for this size.
          </>
        ) : (
          <>
            By <b>{limits.source}</b>; what it does not say is typical, from memory.
          </>
        )}{" "}
        What was judged before stays as it was judged.
      </p>
      <nav aria-label="Size of can" className="mb-3 flex gap-2">
        {SHAPES.filter((s) => isCan(s.key)).map((s) => (
          <Button key={s.key} asChild className={s.key === size ? "bg-ink text-paper!" : ""}>
            <Link
              to={`${href("/seam/sealer")}?size=${s.key}#limits`}
              preventScrollReset
              aria-current={s.key === size ? "true" : undefined}
            >
              {s.name}
            </Link>
          </Button>
        ))}
      </nav>
      <Form method="post" noValidate className="max-w-[46rem] space-y-3">
        <NoEnter />
        <input type="hidden" name="key" value={keyFor(data.key, "limits")} />
        <input type="hidden" name="intent" value="limits" />
        <input type="hidden" name="container" value={size} />
        <ul>
          {DIMENSIONS.map((d) => (
            <li
              key={d}
              className="grid grid-cols-[minmax(0,1fr)_6.4rem_6.4rem] sm:grid-cols-[1fr_8rem_8rem] items-center gap-3 border-t-2 border-rule py-1"
            >
              <span className="font-[650]">
                {DIMENSION_NAMES[d]}
                {isPercent(d) && ", %"}
              </span>
              {(["low", "high"] as const).map((end) => {
                const field = `${d}${end === "low" ? "Low" : "High"}`;
                const now = limits.ranges[d][end];
                return (
                  <span key={end}>
                    <input
                      type="text"
                      name={field}
                      aria-label={`${DIMENSION_NAMES[d]}${isPercent(d) ? ", %" : ""}, ${end === "low" ? "from" : "to"}`}
                      defaultValue={value(d, end)}
                      placeholder={now === null ? "none" : figureWords(d, now, units)}
                      aria-invalid={errors[field] ? true : undefined}
                      autoComplete="off"
                      className={BOX}
                    />
                    <FieldError id={`${field}-problem`} errors={errors[field] ?? undefined} />
                  </span>
                );
              })}
            </li>
          ))}
        </ul>
        <label className="block">
          <span className="block font-[650]">Where the limits come from</span>
          <input
            type="text"
            name="source"
            defaultValue={before.source ?? data.own?.source ?? ""}
            placeholder="the maker’s sheet, and its date"
            aria-invalid={errors.source ? true : undefined}
            autoComplete="off"
            className={BOX}
          />
        </label>
        <FieldError id="source-problem" errors={errors.source ?? undefined} />
        <FieldError id="limits-problem" errors={errors[""] ?? undefined} />
        <Button>Use these limits</Button>
      </Form>
    </div>
  );
}
