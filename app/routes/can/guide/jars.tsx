import { useForm, type SubmissionResult } from "@conform-to/react";
import { useState } from "react";
import { href, Link } from "react-router";
import { kindKey, kindParts, kindShape, type KindKey } from "#core/capacity";
import { kindsFor, methodsIn, proposeLoad, type JarLine } from "#core/canning";
import { LIQUIDS, mostSaltTsp } from "#core/pack";
import { formatMass, formatPressure, formatSpoons, kPaFromPsi, psiFromKPa } from "#core/quantity";
import {
  governingSchedule,
  isCan,
  scheduledProcess,
  shapeOf,
  type PackMethod,
  type ScheduledProcess,
} from "#core/schedule";
import { Button } from "#ui/button";
import { Drawer } from "#ui/drawer";
import {
  ConfirmConditions,
  FieldError,
  FormErrors,
  KeyedForm,
  Notice,
  PickField,
  TextField,
  keyFor,
  resultOf,
  useBusy,
} from "#ui/form";
import { ContainerGlyph } from "#ui/glyph";
import { kindWords } from "../../../words/plan";
import { SourceLine } from "../../help/source-line";
import { AcceptRow } from "../../household/accept-row";
import { BrothFields } from "../../pack/broth-fields";
import type { GuideData, ScreenOf } from "./data";
import { StepPage } from "./frame";
import { roomWords } from "./room-words";

type Screen = ScreenOf<"jars">;
type Line = JarLine & { typed: string };

/** Which sizes, how many of each, in which canner; and the process that follows from them, at once. */
export function Jars({
  data,
  screen,
  result,
}: {
  data: GuideData;
  screen: Screen;
  result: SubmissionResult | undefined;
}) {
  const own = resultOf(result, "choose");
  const [form, fields] = useForm<
    Record<"liquid" | "broth" | "liquidName" | "saltTsp" | "additions" | "reason", string>
  >({ id: "choose", lastResult: own });
  const [lines, setLines] = useState<Line[]>(() => firstLines(screen));
  const [cannerId, setCanner] = useState(screen.chosen.cannerId ?? screen.canners[0]?.id ?? "");
  const [liquid, setLiquid] = useState<string | null>(null);
  const busy = useBusy();
  const canner = screen.canners.find((c) => c.id === cannerId);
  const errors = (own?.error ?? {}) as Record<string, string[] | null>;
  if (!canner)
    return (
      <StepPage data={data}>
        <p className="text-[1.2rem]">There is no canner in the Shed yet.</p>
        <Button asChild weight="do" className="mt-3">
          <Link to={href("/shed")}>Add a canner</Link>
        </Button>
      </StepPage>
    );
  const { parts, layers, leftKg, problems } = proposeLoad(lines, screen.sources, canner.pot, screen.rows);
  const each = parts.map((p) => {
    const { container } = kindParts(p.kind);
    return scheduledProcess({
      product: p.product,
      pack: p.pack,
      container,
      gauge: "weighted",
      altitudeM: screen.altitudeM,
      rows: screen.rows,
    });
  });
  const processes = each.filter((e): e is ScheduledProcess => e.outcome !== "none");
  const governing =
    parts.length > 0
      ? governingSchedule(
          parts.map((p) => ({ product: p.product, pack: p.pack, container: kindParts(p.kind).container })),
          {
            gauges: canner.gauges,
            quarts: canner.quarts,
            maxPsi: psiFromKPa(canner.safeMaxKPa),
            chosen: null,
          },
          screen.altitudeM,
          data.serverNow,
          screen.rows,
          true,
        )
      : null;
  const set = (i: number, over: Partial<Line>) =>
    setLines((all) => all.map((l, j) => (j === i ? { ...l, ...over } : l)));
  const hot = parts.some((p) => p.pack === "hot" && p.product !== "broth");
  const isDish = screen.sources[0]?.dish !== null && lines.every((l) => l.lotId === screen.sources[0]!.lotId);
  const covered = liquid ?? (hot ? "water" : "none");
  const conditions = [...new Map(processes.flatMap((p) => p.conditions).map((c) => [c.key, c])).values()];
  const accept = [...new Map(processes.map((p) => [p.product, p])).values()];
  const none = governing?.outcome === "none" ? governing : null;
  const ok = governing !== null && governing.outcome !== "none" && layers !== null && problems.length === 0;
  return (
    <StepPage
      data={data}
      figure={
        governing && governing.outcome !== "none" ? (
          <span className="block text-right">
            {governing.minutes + screen.extraMinutes} min
            <span className="block text-[0.55em]">
              {formatPressure(kPaFromPsi(governing.target.facePsi), data.units)}
            </span>
          </span>
        ) : null
      }
    >
      <KeyedForm form={form} formKey={keyFor(data.key, "choose")} intent="choose" className="space-y-4">
        <ol className="space-y-4">
          {lines.map((l, i) => (
            <LineFields
              key={i}
              at={i}
              line={l}
              screen={screen}
              many={lines.length > 1}
              part={parts.find((p) => p.lotId === l.lotId && p.kind === l.kind) ?? null}
              problem={problems.find((p) => p.line === i) ?? null}
              canner={canner.name}
              errors={errors[`lines[${i}].count`] ?? errors[`lines[${i}].kind`] ?? null}
              onChange={(over) => set(i, over)}
              onRemove={() => setLines((all) => all.filter((_, j) => j !== i))}
            />
          ))}
        </ol>
        <Button
          type="button"
          weight="bare"
          className="px-0! text-left!"
          onClick={() => setLines((all) => [...all, another(screen, all)])}
        >
          Add another size or food
        </Button>
        {screen.canners.length > 1 ? (
          <fieldset>
            <legend className="font-[650]">Canner</legend>
            <div className="mt-1 flex flex-wrap gap-2">
              {screen.canners.map((c) => (
                <label
                  key={c.id}
                  className="flex min-h-12 cursor-pointer items-center gap-2 rounded border-2 border-ink px-4"
                >
                  <input
                    type="radio"
                    name="cannerId"
                    value={c.id}
                    checked={c.id === cannerId}
                    onChange={() => setCanner(c.id)}
                    className="size-6 accent-copper"
                  />
                  {c.name}
                </label>
              ))}
            </div>
          </fieldset>
        ) : (
          <input type="hidden" name="cannerId" value={cannerId} />
        )}
        {!isDish && (
          <Drawer
            title="Liquid, salt, seasoning"
            open={own !== undefined && ["liquid", "broth", "liquidName", "additions"].some((f) => errors[f])}
          >
            <div className="space-y-4">
              <PickField
                field={fields.liquid}
                label="Cover with"
                fallback={covered}
                onPick={setLiquid}
                options={LIQUIDS.map((v) => ({ value: v, label: v === "none" ? "nothing" : v }))}
              />
              {covered === "broth" && (
                <BrothFields broth={fields.broth} liquidName={fields.liquidName} choices={screen.broths} />
              )}
              <PickField
                field={fields.saltTsp}
                label="Salt in each"
                fallback="0"
                options={[0, 0.25, 0.5, 0.75, 1]
                  .filter((s) => parts.every((p) => s <= mostSaltTsp(kindParts(p.kind).container)))
                  .map((s) => ({ value: String(s), label: s === 0 ? "none" : formatSpoons(s) }))}
              />
              <TextField
                field={fields.additions}
                label="Seasoning"
                hint="Recorded, no change of time. Example: 1 tsp vinegar"
                className="max-w-[24rem]"
              />
            </div>
          </Drawer>
        )}
        <ConfirmConditions
          conditions={conditions}
          stage="pack"
          ticked={[(own?.initialValue as { met?: string | string[] } | undefined)?.met ?? []].flat()}
          errors={errors.met ?? undefined}
        />
        {none && (
          <Notice tone="stop">
            {none.reason} {none.instead.join(" ")}
          </Notice>
        )}
        <FormErrors form={form} />
        <Button weight="do" size="stove" disabled={busy || !ok} className="w-full max-w-[34rem]">
          {ok ? `Can ${parts.map((p) => kindWords(p.kind, p.count)).join(" and ")}` : "Choose sizes that fit"}
        </Button>
      </KeyedForm>
      {accept.map((p) => (
        <AcceptRow
          key={p.product}
          process={p}
          accepted={screen.accepted}
          formKey={keyFor(screen.acceptKey, p.product)}
        />
      ))}
      {ok && (
        <p className="mt-2 text-soft">
          {Object.entries(leftKg)
            .filter(([lotId, kg]) => lines.some((l) => l.lotId === lotId) && kg > 0.02)
            .map(([, kg]) => `About ${formatMass(kg, data.units)} is left. `)}
          {governing?.why.join(" ")}
        </p>
      )}
      {processes[0] && <SourceLine of={processes[0]} />}
    </StepPage>
  );
}

/** One size: what goes in, in what, how many. */
function LineFields({
  at,
  line,
  screen,
  many,
  part,
  problem,
  canner,
  errors,
  onChange,
  onRemove,
}: {
  at: number;
  line: Line;
  screen: Screen;
  many: boolean;
  part: { count: number; kind: KindKey } | null;
  problem: Parameters<typeof roomWords>[0] | null;
  canner: string;
  errors: string[] | null;
  onChange: (over: Partial<Line>) => void;
  onRemove: () => void;
}) {
  const source = screen.sources.find((s) => s.lotId === line.lotId)!;
  const kinds = kindsFor(source, screen.rows);
  const methods = methodsIn(source, line.kind, screen.rows);
  const method = line.method && methods.includes(line.method) ? line.method : methods[0];
  const { container, mouth } = kindParts(line.kind);
  const name = `lines[${at}]`;
  const said = problem ? [roomWords(problem, line.kind, canner)] : (errors ?? undefined);
  return (
    <li className={many ? "border-t-2 border-rule pt-3" : ""}>
      {screen.sources.length > 1 && at > 0 ? (
        <label className="mb-2 block max-w-[34rem]">
          <span className="block font-[650]">What goes in</span>
          <select
            name={`${name}.lotId`}
            value={line.lotId}
            onChange={(e) => {
              const next = screen.sources.find((s) => s.lotId === e.target.value)!;
              const [first = line.kind] = kindsFor(next, screen.rows);
              onChange({
                lotId: next.lotId,
                method: null,
                kind: kindsFor(next, screen.rows).includes(line.kind) ? line.kind : first,
              });
            }}
            className="input mt-1"
          >
            {screen.sources.map((s) => (
              <option key={s.lotId} value={s.lotId}>
                {screen.names[s.lotId]}
              </option>
            ))}
          </select>
        </label>
      ) : (
        <input type="hidden" name={`${name}.lotId`} value={line.lotId} />
      )}
      <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
        <ContainerGlyph shape={shapeOf(container, mouth)} state="open" scale={0.55} label="" />
        <label className="w-[15rem]">
          <span className="block font-[650]">Size</span>
          <select
            name={`${name}.kind`}
            value={line.kind}
            onChange={(e) => onChange({ kind: e.target.value, method: null })}
            className="input mt-1"
          >
            {kinds.map((k) => (
              <option key={k} value={k}>
                {kindShape(k).plural}
              </option>
            ))}
          </select>
        </label>
        <label className="w-[9rem]">
          <span className="block font-[650]">How many</span>
          <input
            name={`${name}.count`}
            inputMode="numeric"
            autoComplete="off"
            value={line.typed}
            aria-invalid={said ? true : undefined}
            aria-describedby={`${name}-problem`}
            onChange={(e) => {
              const n = Number(e.target.value);
              onChange({
                typed: e.target.value,
                count: e.target.value.trim() !== "" && Number.isInteger(n) && n > 0 ? n : null,
              });
            }}
            className="input mt-1"
          />
        </label>
        {methods.length > 1 ? (
          <fieldset className="flex gap-2">
            <legend className="font-[650]">Packed</legend>
            {methods.map((m) => (
              <label
                key={m}
                className="mt-1 flex min-h-12 cursor-pointer items-center gap-2 rounded border-2 border-ink px-4"
              >
                <input
                  type="radio"
                  name={`${name}.method`}
                  value={m}
                  checked={m === method}
                  onChange={() => onChange({ method: m as PackMethod })}
                  className="size-6 accent-copper"
                />
                {m}
              </label>
            ))}
          </fieldset>
        ) : (
          <input type="hidden" name={`${name}.method`} value={method ?? "raw"} />
        )}
        {many && (
          <Button type="button" weight="bare" onClick={onRemove} aria-label={`Remove size ${at + 1}`}>
            Remove
          </Button>
        )}
      </div>
      {line.count === null && part && (
        <p className="mt-1 text-[0.92rem] text-soft">
          Leave blank for {part.count}: as many as it makes and the canner takes.
        </p>
      )}
      <FieldError id={`${name}-problem`} errors={said} />
    </li>
  );
}

/** What was chosen before, or the usual size of the first food. */
function firstLines(screen: Screen): Line[] {
  if (screen.chosen.lines.length > 0)
    return screen.chosen.lines.map((l) => ({ ...l, typed: String(l.count) }));
  const [source] = screen.sources;
  if (!source) return [];
  const kinds = kindsFor(source, screen.rows);
  const pint = kindKey("jar-pint", "regular");
  const kind = kinds.includes(pint) ? pint : (kinds[0] ?? pint);
  return [{ lotId: source.lotId, kind, method: null, count: null, typed: "" }];
}

/** Another size of the same food, one that is not in the load yet. */
function another(screen: Screen, lines: readonly Line[]): Line {
  const source = screen.sources.find((s) => s.lotId === lines.at(-1)?.lotId) ?? screen.sources[0]!;
  const kinds = kindsFor(source, screen.rows);
  const cans = lines.some((l) => isCan(kindParts(l.kind).container));
  const kind =
    kinds.find((k) => isCan(kindParts(k).container) === cans && !lines.some((l) => l.kind === k)) ??
    kinds[0] ??
    lines[0]!.kind;
  return { lotId: source.lotId, kind, method: null, count: null, typed: "" };
}
