import { inFromMm } from "#core/quantity";
import { useRef } from "react";
import type { ContainerKey } from "#core/schedule";
import {
  DIMENSION_NAMES,
  MEASURED_BY,
  PLACE_LENGTHS,
  POSITIONS,
  beyond,
  formatSeam,
  shownBack,
  type SeamDimension,
  type SeamMethod,
} from "#core/seam";
import { Button } from "#ui/button";
import { FieldError } from "#ui/form";
import { useInstrument } from "#ui/instrument";
import { figureWords, rangeWords } from "../../../words/seam";
import type { SetUpData } from "./data";
import { figuresTyped, lengthOf, limitsTyped, platesOf, type Typed } from "./typed";

const BOX = "input px-2";

interface GridProps {
  data: SetUpData;
  method: Exclude<SeamMethod, "eye">;
  container: ContainerKey;
  typed: Typed;
  onType: (field: string, value: string) => void;
  place: number;
  onPlace: (place: number) => void;
  errors: Record<string, string[] | null>;
}

/** Three places side by side, a row for each dimension, the limits at the end; what follows from them below. */
export function Grid(props: GridProps) {
  const { data, method, container, typed, onType, place, onPlace, errors } = props;
  const { units } = data;
  const gauge = useInstrument("gauge");
  const box = useRef<HTMLDivElement>(null);
  const focused = useRef<string>("endPlate");
  const limits = limitsTyped(typed, data.limits[container] ?? null);
  const rows = PLACE_LENGTHS.filter((r) => method === "projector" || r !== "overlap");
  const places = Array.from({ length: POSITIONS }, (_, i) => i);
  const figures = places.map((i) => figuresTyped(typed, i));
  const required = new Set<SeamDimension>(MEASURED_BY[method].required);
  const take = () => {
    if (gauge?.mm == null) return;
    onType(
      focused.current,
      units === "us" ? inFromMm(gauge.mm).toFixed(4) + " in" : `${gauge.mm.toFixed(3)} mm`,
    );
    const all = [...(box.current?.querySelectorAll<HTMLInputElement>("input[name]") ?? [])];
    all[all.findIndex((e) => e.name === focused.current) + 1]?.focus();
  };
  const input = (name: string, label: string, i: number | null) => (
    <input
      type="text"
      name={name}
      aria-label={label}
      inputMode="decimal"
      autoComplete="off"
      value={typed[name] ?? ""}
      onChange={(e) => onType(name, e.target.value)}
      onFocus={() => {
        focused.current = name;
        if (i !== null) onPlace(i);
      }}
      aria-invalid={errors[name] ? true : undefined}
      aria-describedby={errors[name] ? `${name}-problem` : undefined}
      className={BOX}
    />
  );
  const problems = Object.entries(errors).filter(
    ([f, m]) => m?.length && /^(endPlate|bodyPlate|[a-zA-Z]+\d)$/.test(f),
  );
  return (
    <div ref={box} className="min-w-0 space-y-3">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        {(["endPlate", "bodyPlate"] as const).map((name) => (
          <label key={name} className="flex items-center gap-2">
            <span className="font-[650]">{name === "endPlate" ? "End plate" : "Body plate"}</span>
            <span className="w-[6.2rem]">
              {input(name, name === "endPlate" ? "End plate" : "Body plate", null)}
            </span>
          </label>
        ))}
        <span className="max-w-[16rem] text-[0.88rem] leading-tight text-soft">
          Thickness of the sheet, before seaming{platesRead(typed)}.
        </span>
      </div>
      <div className="overflow-x-auto">
        <table className="w-full min-w-[36rem] border-collapse">
          <thead>
            <tr className="text-left">
              <th scope="col" className="pr-3 font-[650]">
                <span className="sr-only">Dimension</span>
              </th>
              {places.map((i) => (
                <th key={i} scope="col" className="w-[6.2rem] px-1 pb-1">
                  <button
                    type="button"
                    aria-pressed={place === i}
                    onClick={() => onPlace(i)}
                    className="min-h-12 w-full rounded border-2 border-ink px-1 leading-tight font-[650] aria-pressed:bg-ink aria-pressed:text-paper"
                  >
                    place {i + 1}
                  </button>
                </th>
              ))}
              <th scope="col" className="pl-3 font-[650] text-soft">
                limits
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map((d) => (
              <tr key={d} className="border-t-2 border-rule">
                <th scope="row" className="py-1 pr-3 text-left font-[650]">
                  {DIMENSION_NAMES[d]}
                  {!required.has(d) && (
                    <span className="block text-[0.84rem] font-normal text-soft">may be left out</span>
                  )}
                </th>
                {places.map((i) => (
                  <td key={i} className="px-1 py-1 align-top">
                    {input(`${d}${i}`, `${DIMENSION_NAMES[d]}, place ${i + 1}`, i)}
                    <Reading
                      value={figures[i]?.[d] ?? lengthOf(typed, `${d}${i}`, d)}
                      d={d}
                      limits={limits}
                      units={units}
                    />
                  </td>
                ))}
                <td className="pl-2 text-[0.88rem] whitespace-nowrap text-soft">
                  {rangeWords(d, limits.ranges[d], units)}
                </td>
              </tr>
            ))}
            <tr className="border-t-2 border-rule">
              <th scope="row" className="py-1 pr-3 text-left font-[650]">
                Worst wrinkle, %
                <span className="block text-[0.84rem] font-normal text-soft">
                  How far the worst wrinkle reaches into the hook, in percent
                </span>
              </th>
              {places.map((i) => (
                <td key={i} className="px-1 py-1 align-top">
                  {input(`wrinklePercent${i}`, `Worst wrinkle, place ${i + 1}`, i)}
                </td>
              ))}
              <td className="pl-3 text-soft">30 % at most</td>
            </tr>
          </tbody>
          <tbody>
            {(["overlap", "overlapPercent", "butting", "tightness"] as const)
              .filter((d) => method === "micrometer" || d !== "overlap")
              .map((d) => (
                <tr key={d} className="border-t-2 border-rule">
                  <th scope="row" className="py-1 pr-3 text-left">
                    {DIMENSION_NAMES[d]}
                    {d === "overlapPercent" && ", part of the most there could be"}
                  </th>
                  {places.map((i) => {
                    const value = figures[i]?.[d] ?? null;
                    const out = value === null ? null : beyond(value, limits.ranges[d]);
                    return (
                      <td
                        key={i}
                        className={`fig px-2 text-[1.5rem] ${out ? "font-bold text-stop" : "font-[650]"}`}
                      >
                        {value === null ? "–" : figureWords(d, value, units)}
                        {out && <span className="block text-[0.95rem]">{out}</span>}
                      </td>
                    );
                  })}
                  <td className="pl-2 text-[0.88rem] whitespace-nowrap text-soft">
                    {rangeWords(d, limits.ranges[d], units)}
                  </td>
                </tr>
              ))}
            <tr className="border-t-2 border-rule">
              <th scope="row" className="py-1 pr-3 text-left">
                Free space
              </th>
              {places.map((i) => (
                <td key={i} className="fig px-2 text-[1.5rem] font-[650]">
                  {figures[i]?.freeSpaceMm == null ? "–" : formatSeam(figures[i].freeSpaceMm, units)}
                </td>
              ))}
              <td className="pl-3 text-soft">in the thickness</td>
            </tr>
          </tbody>
        </table>
      </div>
      {gauge?.mm != null && (
        <Button type="button" onClick={take}>
          Take {formatSeam(gauge.mm, units)} from the gauge
        </Button>
      )}
      {problems.length > 0 && (
        <ul className="space-y-1">
          {problems.map(([f, m]) => (
            <li key={f}>
              <FieldError id={`${f}-problem`} errors={m ?? undefined} />
            </li>
          ))}
        </ul>
      )}
      <p className="text-[0.95rem] text-soft">
        Example: 0.115 or 115 (in), 2.92 (mm). Limits: {limits.source}
        {limits.typical && platesOf(typed) === null && " (thickness by plates of 0.009 and 0.008 in)"}.
        Overlap is cover hook + body hook + end plate − width (21 CFR 113.60, from memory); that rule wants{" "}
        {MEASURED_BY[method].required.map((d) => DIMENSION_NAMES[d].toLowerCase()).join(", ")} by this method.
      </p>
    </div>
  );
}

/** How the plates' thickness was read, once both are typed. */
function platesRead(typed: Typed): string {
  const read = (["endPlate", "bodyPlate"] as const).map((name) => lengthOf(typed, name, name));
  return read.every((mm) => mm !== null) ? `: ${read.map((mm) => shownBack(mm!)).join(" and ")}` : "";
}

/** What was read, shown back under the field, and whether it is beyond its limits. */
function Reading({
  value,
  d,
  limits,
  units,
}: {
  value: number | null;
  d: SeamDimension;
  limits: ReturnType<typeof limitsTyped>;
  units: SetUpData["units"];
}) {
  if (value === null) return null;
  const out = beyond(value, limits.ranges[d]);
  return (
    <span className={`block text-[0.86rem] ${out ? "font-[700] text-stop" : "text-soft"}`}>
      {figureWords(d, value, units)}
      {out && `, ${out}`}
    </span>
  );
}
