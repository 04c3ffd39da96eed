import { href, Link } from "react-router";
import type { Route } from "./+types/route";
import { COLD_LIMIT_C, firstIntervals, thinned, warmSinceKill } from "#core/cold";
import { formatMass } from "#core/quantity";
import { CAUTIONS, boneRule, holdOffered, isFishGroup, speciesByKey, treatedAs } from "#core/species";
import { coldEntries, coldReadings, countColdEntries } from "#store/cold";
import { harvestByCode, individualsOf, lossesOf, pastHolds, photosOf, sharesOf } from "#store/harvest";
import { lotsCutFrom, setAsideFor } from "#store/lot";
import { genealogyOf } from "#store/trace";
import { Button } from "#ui/button";
import { HoldPanel } from "#ui/hold";
import { contentsOf } from "#ui/glyph";
import { Code, LotMark } from "#ui/lotmark";
import { Page, Part } from "#ui/page";
import { River } from "#ui/river";
import { dayWords, whenWords, timesOf } from "../../../words/time";
import { homeContext } from "../../../server/context";
import { formKey, orNotFound } from "../../../server/form";
import { CarcassBalance } from "../../table/balance";
import { cardAction } from "./action";
import { ColdChain } from "./cold-chain";
import { Facts } from "./facts";
import { Photos } from "./photos";
import { Individuals, Shares } from "./shares";
import { keptUntilTaken } from "../../../outbox";
import type { FollowHandle } from "../../../live/follow";

/** Entries listed, and points drawn, on a card. */
const MOST_LISTED = 300;
const MOST_DRAWN = 600;

export function loader({ context, params }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  const animal = orNotFound(() => harvestByCode(larder, params.code));
  const species = speciesByKey(animal.species)!;
  const now = larder.now();
  const readings = coldReadings(larder, animal.id);
  return {
    animal,
    // A logger brings a hundred thousand; the page shows the newest, and draws what an eye can tell apart.
    entries: coldEntries(larder, animal.id, MOST_LISTED),
    entryCount: countColdEntries(larder, animal.id),
    line: thinned(readings, MOST_DRAWN),
    warm: warmSinceKill(animal.killedAt, species.group, readings, Math.max(now, animal.killedAt ?? 0)),
    limitC: COLD_LIMIT_C,
    fish: isFishGroup(species.group),
    intervals: firstIntervals(animal, species.group),
    shares: sharesOf(larder, animal.id),
    ones: individualsOf(larder, animal.id),
    losses: lossesOf(larder, animal.id),
    photos: photosOf(larder, animal.id),
    past: pastHolds(larder, { harvestId: animal.id }),
    lots: lotsCutFrom(larder, animal.id),
    aside: setAsideFor(larder, animal.id),
    river: genealogyOf(larder, animal.id),
    units: household.units,
    times: timesOf(household),
    now,
    key: formKey(),
  };
}

export async function action({ request, context, params }: Route.ActionArgs) {
  return cardAction(context.get(homeContext), request, params.code);
}

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export const handle: FollowHandle = { shows: ["harvest", "cold", "lot", "hold", "photo", "list"] };

export default function Animal({ loaderData, actionData }: Route.ComponentProps) {
  const { animal, lots, losses, river, past, units, times, now, key } = loaderData;
  const species = speciesByKey(animal.species)!;
  const name = animal.count > 1 ? `${animal.count} ${species.plural}` : species.name;
  const result = actionData?.result;
  return (
    <Page
      title={
        <span className="flex items-center gap-x-4">
          <LotMark code={animal.code} contents={contentsOf(null, [animal.species])} size={44} />
          {name}
          <Code>{animal.code}</Code>
        </span>
      }
      lead={[
        dayWords(animal.takenOn, times),
        animal.place,
        animal.takenBy ?? animal.byName,
        animal.tag && `tag ${animal.tag}`,
        animal.weightKg !== null && `${formatMass(animal.weightKg, units)} ${animal.weightKind ?? ""}`.trim(),
      ]
        .filter(Boolean)
        .join(" · ")}
      aside={
        <div className="flex gap-2">
          <Button asChild weight="bare">
            <Link to={href("/c/:code", { code: animal.code })}>History</Link>
          </Button>
          <Button asChild weight="do">
            <Link to={`${href("/table")}?harvest=${animal.id}`}>Cut into lots</Link>
          </Button>
        </div>
      }
    >
      <title>{`${name} ${animal.code} · Patient Larder`}</title>
      <CarcassBalance animal={animal} lots={lots} losses={losses} units={units} />
      {/* Keyed by the page's own key: once something is written down, every form begins anew. */}
      <div key={key} className="mt-7 grid gap-x-10 gap-y-8 lg:grid-cols-[1fr_25rem]">
        <div className="min-w-0 space-y-8">
          <ColdChain data={loaderData} result={result} done={actionData?.done ?? null} />
          <Part title="From animal to lots and jars">
            <River river={river} here={animal.code} units={units} />
          </Part>
          <Photos photos={loaderData.photos} formKey={key} result={result} />
        </div>
        <div className="space-y-8">
          <Part title="Holds">
            <HoldPanel
              holds={animal.holds.map((h) => ({
                id: h.id,
                condition: h.condition,
                since: `${h.byName ?? "Somebody"}, ${whenWords(h.at, now, times)}.`,
                from: null,
              }))}
              formKey={key}
              result={result}
              offered={holdOffered(species)}
            />
            {past.map((p) => (
              <p key={p.releasedAt} className="border-t-2 border-rule py-2 text-[0.95rem] text-soft">
                “{p.condition}” was released by {p.releasedBy}, {whenWords(p.releasedAt, now, times)}:{" "}
                {p.reason}
              </p>
            ))}
          </Part>
          <Facts data={loaderData} result={result} />
          <Shares data={loaderData} result={result} />
          {species.taken === "catch" && <Individuals data={loaderData} result={result} />}
          <Part title="Good to know">
            <ul className="space-y-2 text-[0.97rem]">
              {treatedAs(species) && <li>{treatedAs(species)}</li>}
              <li>{boneRule(species)}</li>
              {species.cautions.map((c) => (
                <li key={c}>{CAUTIONS[c]}</li>
              ))}
            </ul>
            <p className="mt-2 text-[0.9rem] text-soft">Common practice, no single published source.</p>
          </Part>
        </div>
      </div>
    </Page>
  );
}
