import { useForm } from "@conform-to/react";
import { localDay } from "#core/calendar";
import { writingOf } from "#store/household";
import { useState } from "react";
import { href, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { formatPressure, kPaFromPsi, likelyReading, parseQuantity, type Writing } from "#core/quantity";
import { dialStanding, testDueAt } from "#core/schedule";
import { Refused } from "#store/db";
import { addCanner, listCanners, recordGaugeCheck } from "#store/equipment";
import { Button } from "#ui/button";
import { KeyedForm, keyFor, resultOf, FormErrors, PickField, TextField } from "#ui/form";
import { Empty, Page, Part } from "#ui/page";
import { Canner as Drawing } from "../../ui/bench/place-drawing";

import { homeContext } from "../../server/context";
import { CannerCard } from "./canner-card";
import { Counted } from "./counted";
import { MeasureInputs } from "./measure-inputs";
import { atFields, measureFields, measuresOf } from "./measures";
import { countSchema, supplyInput, supplySchema, toolSchema } from "./supplies";
import { SupplyForm } from "./supply-form";
import { ToolForm } from "./tool-form";
import { holdsWords } from "../../words/shed";
import { addTool, checksOf, listTools } from "#store/check";
import { addSupply, packsWithBox, recount, suppliesInUse } from "#store/supply";
import { CANNER_PRESETS } from "#core/capacity";
import { standings } from "#core/check";
import { Drawer } from "#ui/drawer";
import { ToolRow } from "./tool-row";
import { checkSchema } from "./gauge-test";
import { formKey, formOf, keyField, quantity, submit, words, writeBy } from "../../server/form";
import { keptUntilTaken } from "../../outbox";
import type { FollowHandle } from "../../live/follow";
import { timesOf } from "../../words/time";

export function loader({ context }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  const now = larder.now();
  return {
    key: formKey(),
    supplies: suppliesInUse(larder).map((s) => ({ ...s, packs: packsWithBox(larder, s.id) })),
    tools: listTools(larder).map((t) => ({ ...t, standing: standings(t.kind, checksOf(larder, t.id), now) })),
    units: household.units,
    times: timesOf(household),
    today: localDay(now, household.zone),
    canners: listCanners(larder).map((c) => ({
      ...c,
      key: formKey(),
      looks: standings("canner", checksOf(larder, c.id), now)
        .filter((l) => l.item.months !== null || l.state === "bad")
        .filter((l) => l.item.key !== "dial"),
      holds: holdsWords(c),
      standing: dialStanding(c.gauges, now),
      dueAt: c.gauges.dial?.testedAt ? testDueAt(c.gauges.dial.testedAt) : null,
    })),
  };
}

const addSchema = (units: Writing) =>
  z.object({
    key: keyField,
    name: words("Its name", 40),
    quarts: z.coerce
      .number("Write the size in quarts, like 16.")
      .min(4, "A pressure canner holds at least 4 quart jars. A smaller pot is a cooker.")
      .max(60, "That is larger than any household canner.")
      .optional(),
    gauge: z.enum(["dial", "weighted", "both"]),
    pieces: z.enum(["5 5 5", "15", "10", "5 10 15"]).default("5 5 5"),
    safeMax: quantity("gaugePressure", units, "Its limit"),
    ...measureFields(units),
  });
export async function action({ request, context }: Route.ActionArgs) {
  const { larder, household, me } = context.get(homeContext);
  const form = await formOf(request);
  if (form.get("intent") === "check") {
    return submit(request, checkSchema, (v) => {
      const parsed = parseQuantity(v.amount, "gaugePressure", writingOf(household));
      if (!parsed.ok) throw new Refused({ amount: parsed.message });
      if (parsed.si > kPaFromPsi(10))
        throw new Refused({
          amount: "That is how far off it reads, not what it reads. Sound gauges are within a pound or two.",
        });
      const sign = { true: 0, high: 1, low: -1 }[v.way];
      // Noon of that day: nobody writes down the hour a gauge was tested.
      const at = Math.min(
        Date.parse(`${v.testedOn}T12:00:00Z`),
        v.testedOn === localDay(larder.now(), household.zone) ? larder.now() : Infinity,
      );
      recordGaugeCheck(larder, writeBy(me, v.key), {
        cannerId: v.cannerId,
        at,
        errorKPa: sign * parsed.si,
        note: null,
        testedBy: v.testedBy,
        against: v.against,
      });
      return redirect(href("/shed"));
    });
  }
  if (form.get("intent") === "supply")
    return submit(request, supplySchema, (v) => {
      addSupply(larder, writeBy(me, v.key), supplyInput(v));
      return redirect(`${href("/shed")}#counted`);
    });
  if (form.get("intent") === "count")
    return submit(request, countSchema, (v) => {
      recount(larder, writeBy(me, v.key), { supplyId: v.supplyId, left: v.left, why: "counted" });
      return redirect(`${href("/shed")}#counted`);
    });
  if (form.get("intent") === "tool")
    return submit(
      request,
      toolSchema(writingOf(household)),
      ({ key, lowest, powerW, outdoors, induction, note, ...v }) => {
        addTool(larder, writeBy(me, key), {
          ...v,
          powerW: powerW ?? null,
          lowestKPa: lowest ?? null,
          outdoors: outdoors ? 1 : 0,
          induction: induction ? 1 : 0,
          note: note ?? null,
        });
        return redirect(href("/shed"));
      },
    );
  return submit(request, addSchema(writingOf(household)), (v) => {
    if (v.safeMax < kPaFromPsi(11) || v.safeMax > kPaFromPsi(30)) {
      const typed = parseQuantity(String(form.get("safeMax")), "gaugePressure", writingOf(household));
      const likely = typed.ok
        ? likelyReading(typed.si, typed.unit, "gaugePressure", kPaFromPsi(11), kPaFromPsi(30))
        : null;
      throw new Refused({
        safeMax: `A canner's limit lies between 15 and 25 lb as a rule; this is ${formatPressure(v.safeMax, "us")}.${likely ? ` If it was ${likely.unit.symbol}, that is ${formatPressure(likely.si, "us")}: type the unit.` : ""}`,
      });
    }
    atFields(() =>
      addCanner(larder, writeBy(me, v.key), {
        name: v.name,
        quarts: v.quarts ?? null,
        hasDial: v.gauge !== "weighted",
        weightPiecesPsi: v.gauge === "dial" ? [] : v.pieces.split(" ").map(Number),
        safeMaxKPa: v.safeMax,
        measures: measuresOf(v),
      }),
    );
    return redirect(href("/shed"));
  });
}

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export const handle: FollowHandle = {
  shows: ["canner", "gauge", "supply", "tool", "equipment", "pack", "bench"],
};

export default function Shed({ loaderData, actionData }: Route.ComponentProps) {
  const { canners, key, units, today, times, supplies, tools } = loaderData;
  const [plain, setPlain] = useState("");
  const [form, fields] = useForm<z.input<ReturnType<typeof addSchema>>>({
    id: "canner",
    lastResult: resultOf(actionData?.result, undefined),
  });
  return (
    <Page title="Shed" lead="Canners, tools and supplies: what you have, and whether it was checked.">
      <title>Shed · Patient Larder</title>
      <div className="grid gap-10 lg:grid-cols-[1fr_23rem]">
        <div className="space-y-8">
          {canners.length === 0 && (
            <Empty drawing={<Drawing steaming={false} lit={false} />} title="No canner yet." />
          )}
          {canners.map((c) => (
            <CannerCard
              key={c.id}
              canner={c}
              units={units}
              today={today}
              times={times}
              result={actionData?.result}
            />
          ))}
          {tools.length > 0 && (
            <Part title="Burners, sealers, thermometers">
              <ul>
                {tools.map((t) => (
                  <ToolRow key={t.id} tool={t} units={units} />
                ))}
              </ul>
            </Part>
          )}
          <section id="counted" className="scroll-mt-4" aria-label="Counted in the Shed">
            <h2 className="mb-2 text-[1.06rem] text-soft">Jars, lids and cans</h2>
            <Counted supplies={supplies} formKey={key} result={resultOf(actionData?.result, "count")} />
          </section>
        </div>
        <div className="space-y-8">
          <Part title="Add a canner">
            <KeyedForm form={form} formKey={key} className="space-y-4">
              <TextField field={fields.name} label="Name" hint="Example: big canner" />
              <div>
                <TextField
                  key={`quarts-${plain}`}
                  field={fields.quarts}
                  label="Size"
                  hint="Quarts, as it was sold. It must hold at least 4 quart jars; smoked fish needs 16 to 22 quarts."
                  inputMode="decimal"
                  defaultValue={plain || ((fields.quarts.initialValue as string | undefined) ?? "")}
                />
                <div className="mt-2 flex flex-wrap gap-2" role="group" aria-label="Plain sizes">
                  {CANNER_PRESETS.map((p) => (
                    <Button
                      key={p.key}
                      type="button"
                      className="px-2 text-[0.92rem]"
                      onClick={() => setPlain(String(p.quarts))}
                    >
                      {p.name}
                    </Button>
                  ))}
                </div>
              </div>
              <PickField
                field={fields.gauge}
                label="Gauge type"
                options={[
                  { value: "dial", label: "a dial" },
                  { value: "weighted", label: "a weight" },
                  { value: "both", label: "both" },
                ]}
              />
              <PickField
                field={fields.pieces}
                label="The weight"
                options={[
                  { value: "5 5 5", label: "5 + 5 + 5 lb" },
                  { value: "5 10 15", label: "5, 10 or 15 lb" },
                  { value: "15", label: "15 lb only" },
                  { value: "10", label: "10 lb only" },
                ]}
              />
              <TextField
                field={fields.safeMax}
                label="Maximum pressure"
                hint="From its manual. 20 lb is typical, from memory."
                defaultValue={
                  (fields.safeMax.initialValue as string | undefined) ??
                  (units === "us" ? "20 lb" : "138 kPa")
                }
              />
              <Drawer
                title="Measurements (optional)"
                open={Object.keys(resultOf(actionData?.result, undefined)?.error ?? {}).some(
                  (f) => f !== "name",
                )}
              >
                <MeasureInputs fields={fields} units={units} />
              </Drawer>
              <FormErrors form={form} />
              <Button weight="do">Add canner</Button>
            </KeyedForm>
          </Part>
          <Drawer
            title="Jars, lids or cans"
            ruled
            open={Boolean(resultOf(actionData?.result, "supply")?.error)}
          >
            <SupplyForm formKey={keyFor(key, "supply")} result={actionData?.result} />
          </Drawer>
          <Drawer
            title="A burner, sealer or thermometer"
            ruled
            open={Boolean(resultOf(actionData?.result, "tool")?.error)}
          >
            <ToolForm formKey={keyFor(key, "tool")} result={actionData?.result} />
          </Drawer>
        </div>
      </div>
    </Page>
  );
}
