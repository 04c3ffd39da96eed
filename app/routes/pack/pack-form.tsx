import { useForm, type SubmissionResult } from "@conform-to/react";
import { useState } from "react";
import { href, Link } from "react-router";
import {
  LIQUIDS,
  fillEstimate,
  fullContainers,
  jarWater,
  liquidLitres,
  mostSaltTsp,
  packSteps,
  type Liquid,
} from "#core/pack";
import {
  countOf,
  formatLength,
  formatMass,
  formatPressure,
  formatSpoons,
  formatVolume,
  kPaFromPsi,
  type UnitSystem,
  mmFromIn,
} from "#core/quantity";
import {
  CAN_ROWS,
  JAR_ROWS,
  SHAPES,
  isCan,
  productName,
  shapeOf,
  scheduledProcess,
  type ContainerKey,
  type HouseholdRows,
  type Mouth,
  type PackMethod,
  type ProductKey,
} from "#core/schedule";
import { isFatty, speciesByKey, treatedAs } from "#core/species";
import type { KeptOffice } from "#store/guide";
import type { Lot } from "#store/lot";
import { Button } from "#ui/button";
import {
  among,
  ConfirmUnlikely,
  ConfirmConditions,
  KeyedForm,
  FormErrors,
  Notice,
  PickField,
  SelectField,
  TextField,
  TickField,
  useBusy,
} from "#ui/form";
import { Drawer } from "#ui/drawer";
import { ContainerGlyph, contentsOf, patternOf } from "#ui/glyph";
import type { BrothChoice } from "../../features/packing/broth.server";
import { cutWords } from "../../words/load";
import { SourceLine } from "../help/source-line";
import { BrothFields } from "./broth-fields";
import { AcceptRow, type Accepted } from "../household/accept-row";

export interface PackData {
  key: string;
  acceptKey: string;
  accepted: Accepted[];
  products: ProductKey[];
  fills: Record<string, number[]>;
  units: UnitSystem;
  altitudeM: number;
  rows: HouseholdRows;
  /** schedules of extension offices for this food, which may be used */
  offices: KeptOffice[];
  /** lids and ends by the box: what each closes, how many are left */
  boxes: { id: string; label: string; left: number; closes: string }[];
  broths: BrothChoice[];
  /** every lot that is there; `not`: why it may not be packed now */
  lots: { id: string; code: string; part: string; species: string[]; not: string | null }[];
}

type Fields = Record<
  | "key"
  | "lotId"
  | "product"
  | "method"
  | "container"
  | "count"
  | "massKg"
  | "liquid"
  | "broth"
  | "liquidName"
  | "alsoLotId"
  | "alsoKg"
  | "salt"
  | "reusedLids"
  | "lidBoxId"
  | "additions"
  | "office"
  | "reason",
  string
>;

const packsOf = (product: ProductKey) => [...JAR_ROWS, ...CAN_ROWS].find((row) => row.key === product)!.packs;

const sizes = (product: ProductKey) => SHAPES.filter((s) => isCan(s.key) === product.startsWith("can-"));

/** One pack: what, how, in which container, and everything that follows from those, worked out as they are chosen. */
export function PackForm({
  data,
  lot,
  result,
}: {
  data: PackData;
  lot: Lot;
  result: SubmissionResult | undefined;
}) {
  const { products, fills, units, altitudeM, rows, key } = data;
  const [form, fields] = useForm<Fields>({ id: "pack", lastResult: result });
  const typed = result?.initialValue as Partial<Fields> | undefined;
  const [product, setProduct] = useState<ProductKey>(among(typed?.product, products) ?? products[0]!);
  const [method, setMethod] = useState<PackMethod>(
    among(typed?.method, packsOf(product)) ??
      // Cooked food is a hot pack.
      (lot.treatments.includes("cook") ? packsOf(product).at(-1)! : packsOf(product)[0]!),
  );
  const [container, setContainer] = useState<string>(
    among(
      typed?.container,
      sizes(product).map((s) => `${s.key} ${s.mouth ?? ""}`.trim()),
    ) ?? "jar-pint regular",
  );
  const [picked, setLiquid] = useState<Liquid | null>(among(typed?.liquid, LIQUIDS) ?? null);
  // A hot pack is covered with hot liquid; a raw one makes its own juice.
  const liquid: Liquid = picked ?? (method === "hot" && product !== "broth" ? "water" : "none");
  const [salt, setSalt] = useState(Number(typed?.salt ?? 0) || 0);
  const [kind, mouth] = (
    product.startsWith("can-") === container.startsWith("can-")
      ? container
      : `${sizes(product)[1]?.key ?? sizes(product)[0]!.key} `
  ).split(" ") as [ContainerKey, Mouth];
  const ask = (pack: PackMethod) =>
    scheduledProcess({ product, pack, container: kind, gauge: "weighted", altitudeM, rows });
  const schedule = ask(method);
  const estimate = fillEstimate(product, method, kind, fills[`${product} ${method} ${kind}`], mouth || null);
  const fit = fullContainers(lot.leftKg, estimate.kgEach);
  const [count, setCount] = useState(typeof typed?.count === "string" ? typed.count : "");
  const n = Number(count || fit.count) || 0;
  const contents = contentsOf(product, lot.species);
  const shape = shapeOf(kind, mouth || null);
  const litres = liquidLitres(shape.nominalMl, method, liquid, product === "broth") * n;
  const massHint = formatMass(Math.min(lot.leftKg, n * estimate.kgEach), units);
  const species = speciesByKey(lot.species[0] ?? "");
  const note = species ? treatedAs(species) : null;
  const saltSteps = [0, 0.25, 0.5, 0.75, 1, 2].filter((s) => s <= mostSaltTsp(kind));
  const offices = data.offices.filter(
    (o) => o.container === kind && o.method === method && altitudeM <= o.altitudeM + 1,
  );
  const byOffice = schedule.outcome === "none" && offices.length > 0;
  const [reused, setReused] = useState(typed?.reusedLids === "on");
  const busy = useBusy();
  const others = data.lots.filter((l) => l.id !== lot.id && l.not === null);
  const boxes = data.boxes.filter(
    (b) => b.closes === (isCan(kind) ? kind : (shape.mouth ?? "")) && b.left > 0,
  );
  return (
    <div className="grid gap-10 lg:grid-cols-[1fr_25rem]">
      <KeyedForm form={form} formKey={key} ownButton className="space-y-4">
        <input type="hidden" name="lotId" value={lot.id} />
        <SelectField
          field={fields.product}
          label="Pack as"
          choices={products.map((p) => ({ value: p, label: productName(p) }))}
          defaultValue={product}
          onChange={(e) => {
            const next = e.target.value as ProductKey;
            setProduct(next);
            if (!packsOf(next).includes(method)) setMethod(packsOf(next)[0]!);
          }}
        />
        <PickField
          field={fields.method}
          label="Packed"
          fallback={method}
          onPick={(v) => setMethod(v as PackMethod)}
          options={[
            {
              value: "raw",
              label: "raw",
              note: ask("raw").outcome !== "none" ? "makes its own juice" : "no tested process",
            },
            {
              value: "hot",
              label: "hot",
              note: ask("hot").outcome !== "none" ? "cooked first, covered" : "no tested process",
            },
          ]}
        />
        <SelectField
          key={product.startsWith("can-") ? "cans" : "jars"}
          field={fields.container}
          label="Container"
          choices={sizes(product).map((s) => ({
            value: `${s.key} ${s.mouth ?? ""}`.trim(),
            label: `${s.plural}${s.mouth === "regular" && ["jar-pint", "jar-quart"].includes(s.key) ? ", regular mouth" : ""}`,
          }))}
          defaultValue={`${kind} ${mouth ?? ""}`.trim()}
          onChange={(e) => setContainer(e.target.value)}
        />
        <div className="grid grid-cols-2 gap-3">
          <TextField
            field={fields.count}
            label="How many filled"
            inputMode="numeric"
            value={count || String(fit.count)}
            onChange={(e) => setCount(e.target.value)}
          />
          <TextField
            key={`mass-${massHint}`}
            field={fields.massKg}
            label="Meat in them"
            hint="total, as weighed"
            defaultValue={typed?.massKg ?? massHint}
          />
        </div>
        {others.length > 0 && (
          <Drawer
            title="Add meat from a second lot"
            open={Boolean(fields.alsoLotId.errors ?? fields.alsoKg.errors)}
          >
            <div className="grid gap-3 sm:grid-cols-2">
              <SelectField
                field={fields.alsoLotId}
                label="Second lot"
                choices={[
                  { value: "", label: "none" },
                  ...others.map((l) => ({
                    value: l.id,
                    label: `${l.code}, ${cutWords(l.part, l.species)}`,
                  })),
                ]}
              />
              <TextField
                field={fields.alsoKg}
                label="Weight from it"
                hint="its part of the meat in all of them"
              />
            </div>
          </Drawer>
        )}
        <PickField
          key={`liquid-${liquid}`}
          field={fields.liquid}
          label="Liquid"
          fallback={liquid}
          onPick={(v) => setLiquid(v as Liquid)}
          options={LIQUIDS.map((l) => ({ value: l, label: l }))}
        />
        {liquid === "broth" && product !== "broth" && (
          <BrothFields broth={fields.broth} liquidName={fields.liquidName} choices={data.broths} />
        )}
        <PickField
          key={`salt-${kind}`}
          field={fields.salt}
          label="Salt in each"
          hint="Flavor only; leave it out if you like."
          fallback={String(Math.min(salt, mostSaltTsp(kind)))}
          onPick={(v) => setSalt(Number(v))}
          options={saltSteps.map((s) => ({ value: String(s), label: s === 0 ? "none" : formatSpoons(s) }))}
        />
        {(!product.startsWith("can-") || fields.reusedLids.errors) && (
          <TickField
            field={fields.reusedLids}
            label="Some lids were used before"
            hint="Recorded as a deviation: the batch is then not to the tested process."
            onTick={setReused}
          />
        )}
        <div className="grid gap-3 sm:grid-cols-2">
          {boxes.length > 0 && (
            <SelectField
              key={`lids-${kind}-${mouth}`}
              field={fields.lidBoxId}
              label={isCan(kind) ? "Ends from" : "Lids from"}
              hint="The oldest box first, unless you say otherwise."
              choices={boxes.map((b) => ({ value: b.id, label: `${b.label}, ${b.left} left` }))}
            />
          )}
          <TextField
            field={fields.additions}
            label="Seasoning"
            hint={
              contents === "fish"
                ? "Recorded, no change of time: up to 1 tsp vinegar or 1 tbsp ketchup a pint"
                : "Recorded, no change of time. Lightly: it grows"
            }
          />
        </div>
        {schedule.outcome === "none" && <OfficeField field={fields.office} offices={offices} units={units} />}
        {schedule.outcome !== "none" && (
          <ConfirmConditions
            conditions={schedule.conditions}
            stage="pack"
            errors={result?.error?.met ?? undefined}
          />
        )}
        {(fields.reason.errors || (reused && !product.startsWith("can-"))) && (
          <TextField
            field={fields.reason}
            label="Why lids are used again"
            hint="Kept with these jars for good, with your name."
          />
        )}
        <ConfirmUnlikely question={result?.error?.confirm ?? undefined} answer="It is right: fill them" />
        <FormErrors form={form} />
        <div className="flex flex-wrap gap-3">
          <Button
            weight="do"
            disabled={busy || (schedule.outcome === "none" && !byOffice)}
            className="w-full sm:w-auto"
          >
            {n > 0
              ? `Record ${countOf(n, isCan(kind) ? "filled can" : "filled jar")}`
              : "Record them as filled"}
          </Button>
          <Button
            name="oneByOne"
            value="yes"
            disabled={busy || (schedule.outcome === "none" && !byOffice)}
            className="w-full sm:w-auto"
          >
            Fill them one at a time
          </Button>
        </div>
        <p className="text-[0.95rem] text-soft">
          Numbered when they are filled already; one at a time at the bench, with the weight of each.
        </p>
      </KeyedForm>
      <section aria-label="The process" aria-live="polite">
        {schedule.outcome === "none" ? (
          <Notice tone="stop">
            <p className="text-[1.2rem] font-[650]">No tested process</p>
            <p>{schedule.reason}</p>
            <ul className="mt-1 list-disc pl-5">
              {schedule.instead.map((i) => (
                <li key={i}>{i}</li>
              ))}
            </ul>
          </Notice>
        ) : (
          <>
            <div className="flex items-end gap-6 border-b-[8px] border-bench">
              <ContainerGlyph
                shape={shape}
                state="filled"
                contents={contents}
                pattern={patternOf(lot.code)}
                headspaceMm={mmFromIn(schedule.headspaceIn)}
                scale={1.15}
              />
              <div className="pb-3">
                <div className="fig text-[3.4rem] leading-none font-bold">
                  {formatLength(mmFromIn(schedule.headspaceIn) / 1000, units)}
                </div>
                <div className="text-soft">headspace</div>
                <div className="fig mt-2 text-[2.4rem] leading-none font-bold">{schedule.minutes} min</div>
                <div className="text-soft">at pressure, if canned alone</div>
              </div>
            </div>
            <dl className="mt-4 grid grid-cols-[auto_1fr] gap-x-5 gap-y-1">
              <dt className="text-soft">From {formatMass(lot.leftKg, units)}</dt>
              <dd>
                <b>{fit.count} full</b>, {formatMass(fit.leftKg, units)} left
              </dd>
              <dt className="text-soft">Each takes</dt>
              <dd>
                {formatMass(estimate.kgEach, units)}{" "}
                <span className="text-soft">
                  (
                  {estimate.source === "these packs"
                    ? `your last ${countOf(estimate.packs, "pack")}`
                    : "common practice"}
                  )
                </span>
              </dd>
              {litres > 0 && (
                <>
                  <dt className="text-soft">Have ready</dt>
                  <dd>
                    {formatVolume(litres, units)} {liquid} <span className="text-soft">(about)</span>
                  </dd>
                </>
              )}
              {salt > 0 && n > 0 && (
                <>
                  <dt className="text-soft">Salt in all</dt>
                  <dd>{formatSpoons(salt * n)}</dd>
                </>
              )}
              <dt className="text-soft">{isCan(kind) ? "Bath" : "Jars stand in"}</dt>
              <dd>{jarWater(method, kind)}</dd>
              <dt className="text-soft">Steps</dt>
              <dd>
                {packSteps(
                  { method, container: kind, liquid, saltTsp: salt, product },
                  lot.species.some(isFatty),
                )
                  .map((s) => s.do)
                  .join(". ")}
                .
              </dd>
            </dl>
            {method === "raw" && liquid !== "none" && (
              <p className="mt-3 text-[0.95rem] text-soft">
                Raw packs need no liquid. More of it means more siphoning; it is recorded as your habit.
              </p>
            )}
            {schedule.conditions.map((c) => (
              <Notice key={c.key} tone="care" className="mt-3">
                <strong>Extra rule for this food.</strong> {c.text}
              </Notice>
            ))}
            {note && <p className="mt-3 text-[0.95rem] text-soft">{note}</p>}
            <SourceLine of={schedule} />
            <AcceptRow process={schedule} accepted={data.accepted} formKey={data.acceptKey} />
          </>
        )}
      </section>
    </div>
  );
}

/** Where the tables have nothing: what an extension office gave this household, as it is kept. */
function OfficeField({
  field,
  offices,
  units,
}: {
  field: ReturnType<typeof useForm<Fields>>[1]["office"];
  offices: readonly KeptOffice[];
  units: UnitSystem;
}) {
  if (offices.length === 0)
    return (
      <p className="border-l-[6px] border-amber pl-4">
        Did an extension office give you a schedule?{" "}
        <Link to={href("/help/offices")} className="font-[650] text-ink underline underline-offset-4">
          Enter it under Office schedules
        </Link>
        .
      </p>
    );
  return (
    <PickField
      field={field}
      label="Schedule of an extension office"
      options={offices.map((o) => ({
        value: o.id,
        label: `${o.office}: ${o.minutes} min at ${formatPressure(kPaFromPsi(o.pressurePsi), units)} ${o.gauge}`,
      }))}
    />
  );
}
