import { Form, Link, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { countOf, formatMass, formatMassShort } from "#core/quantity";
import { FORM_NAMES } from "#core/species";
import { keepLot, lotsInHand } from "#store/lot";
import { Button } from "#ui/button";
import { contentsOf } from "#ui/glyph";
import { Code, LotMark } from "#ui/lotmark";
import { Empty, Page, Part } from "#ui/page";
import { TimeSince } from "#ui/clock";
import { ColdBox } from "../../ui/bench/place-drawing";
import { speciesWords } from "../../words/load";
import { atHome } from "../../server/context";
import { formKey, keyField, submit, writeBy } from "../../server/form";

export function loader({ request, context }: Route.LoaderArgs) {
  const { larder, household } = atHome(context, request);
  const lots = lotsInHand(larder).map((lot) => ({ ...lot, key: formKey() }));
  return { lots, units: household.units };
}

const schema = z.object({ key: keyField, lotId: z.string(), kept: z.enum(["fridge", "freezer"]) });

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, me } = atHome(context, request);
  return submit(request, schema, (v) => {
    keepLot(larder, writeBy(me, v.key), v.lotId, v.kept);
    return redirect("/cold");
  });
}

export default function Cold({ loaderData }: Route.ComponentProps) {
  const { lots, units } = loaderData;
  const total = lots.reduce((sum, l) => sum + l.leftKg, 0);
  return (
    <Page
      title="Cold"
      lead={
        lots.length
          ? `${formatMassShort(total, units)} in ${countOf(lots.length, "lot")}, oldest first.`
          : undefined
      }
    >
      <title>Cold · Patient Larder</title>
      {lots.length === 0 ? (
        <Empty drawing={<ColdBox lots={0} />} title="Fridge and freezer are empty.">
          <Link to="/table" className="font-[650] text-ink underline underline-offset-4">
            Cut a lot at the Table
          </Link>{" "}
          and it lies here.
        </Empty>
      ) : (
        <div className="grid gap-10 lg:grid-cols-2">
          {(["fridge", "freezer"] as const).map((where) => (
            <Part key={where} title={where === "fridge" ? "In the fridge" : "In the freezer"}>
              {lots.filter((l) => l.kept === where).length === 0 && (
                <p className="border-t-2 border-rule py-4 text-soft">Nothing.</p>
              )}
              <ul>
                {lots
                  .filter((l) => l.kept === where)
                  .map((l) => (
                    <li key={l.id} className="flex items-center gap-4 border-t-2 border-rule py-3">
                      <LotMark code={l.code} contents={contentsOf(null, l.species)} size={48} />
                      <div className="min-w-0 flex-1">
                        <div className="flex flex-wrap items-baseline gap-x-3">
                          <Link
                            to={`/c/${l.code}`}
                            className="inline-flex min-h-12 min-w-12 items-center text-ink"
                          >
                            <Code>{l.code}</Code>
                          </Link>
                          <b className="text-[1.15rem]">{formatMass(l.leftKg, units)}</b>
                        </div>
                        <div>
                          {l.part} of {speciesWords(l.species)}, {FORM_NAMES[l.form]}
                        </div>
                        <div className="text-[0.92rem] text-soft">
                          cut <TimeSince since={l.madeAt} /> ago
                          {l.holds.length > 0 && (
                            <span className="font-[650] text-amber"> · on hold: {l.holds.join("; ")}</span>
                          )}
                        </div>
                      </div>
                      <div className="flex flex-col gap-2">
                        {l.holds.length === 0 && (
                          <Button asChild>
                            <Link to={`/pack?lot=${l.id}`}>Pack</Link>
                          </Button>
                        )}
                        <Form method="post">
                          <input type="hidden" name="key" value={l.key} />
                          <input type="hidden" name="lotId" value={l.id} />
                          <Button weight="bare" name="kept" value={where === "fridge" ? "freezer" : "fridge"}>
                            {where === "fridge" ? "Freeze" : "Thaw"}
                          </Button>
                        </Form>
                      </div>
                    </li>
                  ))}
              </ul>
            </Part>
          ))}
        </div>
      )}
    </Page>
  );
}
