import { useForm } from "@conform-to/react";
import { Form, Link, redirect, useNavigation, useSubmit } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { formatMass, type UnitSystem } from "#core/quantity";
import { balanceOf } from "#core/lot";
import { CAUTIONS, FORMS, FORM_NAMES, formsFor, speciesByKey } from "#core/species";
import { getHarvest, listHarvests } from "#store/harvest";
import { cutLot, lotsOfHarvest } from "#store/lot";
import { Button } from "#ui/button";
import { KeyedForm, FormErrors, Notice, PickField, TextField } from "#ui/form";
import { contentsOf } from "#ui/glyph";
import { Code, LotMark } from "#ui/lotmark";
import { Empty, Page, Part } from "#ui/page";
import { Board } from "../../ui/bench/place-drawing";
import { dayWords } from "../../words/time";
import { atHome } from "../../server/context";
import { formKey, keyField, orNotFound, submit, weight, words, writeBy } from "../../server/form";
import { CarcassBalance } from "./balance";

export function loader({ request, context }: Route.LoaderArgs) {
  const { larder, household } = atHome(context, request);
  const asked = new URL(request.url).searchParams.get("harvest");
  const harvests = listHarvests(larder, 40);
  const chosen = asked
    ? orNotFound(() => getHarvest(larder, asked))
    : (harvests.find((h) => (h.leftKg ?? 1) > 0.05) ?? null);
  return {
    key: formKey(),
    units: household.units,
    harvests: harvests.map((h) => ({
      id: h.id,
      code: h.code,
      name: nameOf(h.species, h.count),
      day: dayWords(h.takenOn),
    })),
    chosen,
    lots: chosen ? lotsOfHarvest(larder, chosen.id) : [],
  };
}

function nameOf(species: string, count: number): string {
  const known = speciesByKey(species);
  return known ? (count > 1 ? `${count} ${known.plural}` : known.name) : species;
}

const cut = (units: UnitSystem) =>
  z.object({
    key: keyField,
    harvestId: words("The animal"),
    part: words("The part", 60),
    form: z.enum(FORMS, "Choose what it was cut to."),
    inKg: weight(units, "The weight in"),
    outKg: weight(units, "The weight out"),
    trimKg: weight(units).optional(),
    kept: z.enum(["fridge", "freezer"]).default("fridge"),
  });

/** The form stays as it is while the clocks are looked at. */
export { stayWhileTyping as shouldRevalidate } from "../places/stay";

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, household, me } = atHome(context, request);
  return submit(request, cut(household.units), (v) => {
    const { key, ...rest } = v;
    const { code } = cutLot(larder, writeBy(me, key), { ...rest, trimKg: v.trimKg ?? null }, household.units);
    return redirect(`/table?harvest=${v.harvestId}&made=${code}`);
  });
}

export default function Table({ loaderData, actionData }: Route.ComponentProps) {
  const { key, units, harvests, chosen, lots } = loaderData;
  const [form, fields] = useForm<z.input<ReturnType<typeof cut>>>({
    id: "cut",
    lastResult: actionData?.result,
  });
  const send = useSubmit();
  const busy = useNavigation().state !== "idle";
  if (!chosen) {
    return (
      <Page title="Table">
        <title>Table · Patient Larder</title>
        <Empty drawing={<Board />} title="Nothing to cut.">
          <Link to="/field" className="font-[650] text-ink underline underline-offset-4">
            Write down an animal in the Field
          </Link>{" "}
          first.
        </Empty>
      </Page>
    );
  }
  const species = speciesByKey(chosen.species)!;
  const contents = contentsOf(null, [chosen.species]);
  const newest = lots[0];
  return (
    <Page
      title={`Table: ${nameOf(chosen.species, chosen.count)} ${chosen.code}`}
      lead="Weigh a part in, trim it, weigh it out. Each lot gets a code for its bag."
      aside={
        <Form onChange={(e) => void send(e.currentTarget)} className="flex items-end gap-2">
          <label>
            <span className="block text-[0.92rem]">On the table</span>
            <select
              name="harvest"
              key={chosen.id}
              defaultValue={chosen.id}
              className="min-h-12 max-w-[20rem] rounded border-2 border-ink bg-sheet px-3"
            >
              {harvests.map((h) => (
                <option key={h.id} value={h.id}>
                  {h.name}, {h.day}, {h.code}
                </option>
              ))}
            </select>
          </label>
        </Form>
      }
    >
      <title>Table · Patient Larder</title>
      <CarcassBalance
        weightKg={chosen.weightKg}
        cutKg={chosen.cutKg}
        lots={lots}
        contents={contents}
        units={units}
      />
      {chosen.holds.map((h) => (
        <Notice key={h.id} tone="care" className="mt-4">
          <b>On hold:</b> {h.condition}. It can be cut and kept cold; lots made from it wait too.
        </Notice>
      ))}
      <div className="mt-7 grid gap-10 lg:grid-cols-[1fr_25rem]">
        <Part title="Cut a lot">
          <KeyedForm form={form} formKey={key} className="space-y-4">
            <input type="hidden" name="harvestId" value={chosen.id} />
            <TextField
              field={fields.part}
              label="Part"
              hint="As you call it: shoulder, hind leg, fillets"
              list="parts"
            />
            <datalist id="parts">
              {[
                "Shoulder",
                "Hind leg",
                "Loin",
                "Neck",
                "Ribs",
                "Trim",
                "Breast",
                "Legs",
                "Fillets",
                "Middle sections",
                "Backbones",
              ].map((p) => (
                <option key={p} value={p} />
              ))}
            </datalist>
            <PickField
              field={fields.form}
              label="Cut to"
              options={formsFor(species.group).map((f) => ({ value: f, label: FORM_NAMES[f] }))}
            />
            <div className="grid gap-3 sm:grid-cols-3">
              <TextField field={fields.inKg} label="Weight in" hint="before trimming" />
              <TextField field={fields.outKg} label="Weight out" hint="fit to pack" />
              <TextField field={fields.trimKg} label="Trim, if weighed" hint="fat, skin, bone" />
            </div>
            <PickField
              field={fields.kept}
              label="Goes to the"
              options={[
                { value: "fridge", label: "fridge" },
                { value: "freezer", label: "freezer" },
              ]}
            />
            <FormErrors form={form} />
            <Button weight="do" disabled={busy} className="w-full sm:w-auto">
              Make the lot
            </Button>
          </KeyedForm>
          <ul className="mt-5 space-y-1 text-[0.92rem] text-soft">
            {species.cautions.map((c) => (
              <li key={c}>{CAUTIONS[c]}</li>
            ))}
          </ul>
        </Part>
        <Part title={lots.length ? "Write this on the bag" : "Its lots"}>
          {!newest && <p className="border-t-2 border-rule py-4 text-soft">None yet.</p>}
          {newest && (
            <div className="rounded border-2 border-ink bg-sheet p-5">
              <div className="fig text-[5.6rem] leading-none font-bold tracking-wide">{newest.code}</div>
              <p className="mt-1 text-[1.1rem]">
                {newest.part}, {formatMass(newest.madeKg, units)}
              </p>
            </div>
          )}
          <ul className="mt-3">
            {lots.map((l) => (
              <li key={l.id} className="flex items-center gap-3 border-t-2 border-rule py-2">
                <LotMark code={l.code} contents={contents} size={36} />
                <div className="flex-1">
                  <Code>{l.code}</Code> {l.part}, {FORM_NAMES[l.form]}
                  <div className="text-[0.92rem] text-soft">
                    {formatMass(l.madeKg, units)}
                    {l.trimKg !== null &&
                      `, ${Math.round(balanceOf({ inKg: l.madeKg + l.trimKg, outKg: l.madeKg, trimKg: l.trimKg }).yield * 100)} % of what was trimmed`}
                  </div>
                </div>
                <Link
                  to={`/pack?lot=${l.id}`}
                  className="inline-flex min-h-12 items-center px-2 font-[650] text-ink underline underline-offset-4"
                >
                  Pack
                </Link>
              </li>
            ))}
          </ul>
        </Part>
      </div>
    </Page>
  );
}
