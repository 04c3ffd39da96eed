import { Form, href, Link } from "react-router";
import type { Route } from "./+types/route";
import { freezerAge } from "#core/cold";
import { REFRIGERATOR_SOURCE, TREATMENTS, type Treatment } from "#core/lot";
import type { YieldCase } from "#core/yield";
import { FORM_NAMES, holdOffered, speciesByKey } from "#core/species";
import { changeCases, happeningsOfLot, holdsOnLot, lotByCode, madeFrom } from "#store/lot";
import { pastHolds } from "#store/harvest";
import { genealogyOf } from "#store/trace";
import { Button } from "#ui/button";
import { TimeLeft } from "#ui/clock";
import { keyFor, Notice } from "#ui/form";
import { contentsOf } from "#ui/glyph";
import { HoldPanel } from "#ui/hold";
import { Code, LotMark } from "#ui/lotmark";
import { Page, Part } from "#ui/page";
import { River } from "#ui/river";
import { speciesWords, cutWords } from "../../../words/load";
import { ageWords, keptWords, lotAmount, lotEventWords } from "../../../words/lot";
import { whenWords, timesOf } from "../../../words/time";
import { homeContext } from "../../../server/context";
import { formKey, orNotFound } from "../../../server/form";
import { lotAction } from "./action";
import { Deeds } from "./deeds";
import { keptUntilTaken } from "../../../outbox";
import type { FollowHandle } from "../../../live/follow";

export function loader({ context, params }: Route.LoaderArgs) {
  const { larder, household, me } = context.get(homeContext);
  const lot = orNotFound(() => lotByCode(larder, params.code));
  const now = larder.now();
  return {
    lot,
    me,
    happenings: happeningsOfLot(larder, lot.id),
    holds: holdsOnLot(larder, lot.id),
    past: pastHolds(larder, { lotId: lot.id }),
    from: madeFrom(larder, lot.id),
    river: genealogyOf(larder, lot.id),
    changes: Object.fromEntries(
      TREATMENTS.map((t) => [t, changeCases(larder, lot.species[0] ?? "", t)]),
    ) as Record<Treatment, YieldCase[]>,
    age: lot.frozenAt === null ? null : freezerAge(lot.frozenAt, now),
    units: household.units,
    times: timesOf(household),
    now,
    key: formKey(),
  };
}

export async function action({ request, context, params }: Route.ActionArgs) {
  return lotAction(context.get(homeContext), request, params.code);
}

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export const handle: FollowHandle = { shows: ["lot", "harvest", "hold", "pack", "bench"] };

export default function LotCard({ loaderData, actionData }: Route.ComponentProps) {
  const { lot, happenings, holds, past, from, river, age, units, times, now, key } = loaderData;
  const when = (at: number) => whenWords(at, now, times);
  const gone = lot.leftKg <= 0.02;
  const last = happenings.at(-1);
  return (
    <Page
      title={
        <span className="flex items-center gap-x-4">
          <LotMark code={lot.code} contents={contentsOf(null, lot.species)} size={44} />
          {cutWords(lot.part, lot.species)}
        </span>
      }
      lead={`${FORM_NAMES[lot.form]}, ${keptWords(lot.kept, lot.place)}${lot.treatments.length ? `, ${lot.treatments.map((t) => TREATED[t]).join(", ")}` : ""}${lot.forWhom ? ` · ${lot.forWhom}’s` : ""}`}
      aside={
        <Button asChild weight="bare">
          <Link to={href("/c/:code", { code: lot.code })}>History</Link>
        </Button>
      }
    >
      <title>{`Lot ${lot.code} · Patient Larder`}</title>
      {/* Keyed by the page's own key: once something is written down, every form begins anew. */}
      <div key={key} className="grid gap-x-10 gap-y-8 lg:grid-cols-[1fr_25rem]">
        <div className="min-w-0 space-y-8">
          <div className="flex flex-wrap items-end gap-x-8 gap-y-3 border-b-[8px] border-bench pb-2">
            <div className="fig text-[5.4rem] leading-none font-bold tracking-wide">{lot.code}</div>
            <div>
              <div className="fig text-[2.9rem] leading-none font-bold">
                {gone ? "gone" : lotAmount(lot.form, lot.leftKg, units)}
              </div>
              <div className="text-soft">
                left of {lotAmount(lot.form, lot.madeKg, units)}, made {when(lot.madeAt)}
              </div>
            </div>
            {lot.freshUntil !== null && !gone && (
              <div>
                <div
                  className={`fig text-[2.9rem] leading-none font-bold ${lot.freshUntil < now ? "text-stop" : ""}`}
                >
                  {lot.freshUntil < now ? "too late" : <TimeLeft until={lot.freshUntil} />}
                </div>
                <div className="text-soft">
                  {lot.freshUntil < now ? "its days in the refrigerator ended" : "to can or freeze it, until"}{" "}
                  {when(lot.freshUntil)} ({REFRIGERATOR_SOURCE.name}
                  {REFRIGERATOR_SOURCE.fromMemory && ", from memory"})
                </div>
              </div>
            )}
            {age && (
              <div>
                <div
                  className={`fig text-[2.9rem] leading-none font-bold ${age.standing === "fresh" ? "" : "text-amber"}`}
                >
                  {ageWords(age.days)}
                </div>
                <div className="text-soft">
                  in the freezer
                  {age.standing === "over"
                    ? ": past its year"
                    : age.standing === "soon"
                      ? ", soon a year"
                      : ""}
                </div>
              </div>
            )}
          </div>
          {lot.thaw && (
            <Notice tone={lot.thaw.begun ? "good" : "care"}>
              {lot.thaw.begun
                ? `Thawing. Ready about ${when(lot.thaw.readyAt)}: an estimate, feel the middle.`
                : `Take it out ${when(lot.thaw.startAt)}, to be ready about ${when(lot.thaw.readyAt)}.`}
            </Notice>
          )}
          {!gone && <Deeds data={loaderData} result={actionData?.result} />}
          <Part title="From animals to jars">
            <River river={river} here={lot.code} units={units} />
          </Part>
        </div>
        <div className="space-y-8">
          <Part title="Holds">
            <HoldPanel
              holds={holds.map((h) => ({
                id: h.id,
                condition: h.condition,
                since: `${h.byName ?? "Somebody"}, ${when(h.at)}.`,
                from: h.own ? null : from.map((f) => f.code).join(", "),
              }))}
              formKey={key}
              result={actionData?.result}
              offered={holdOffered(speciesByKey(lot.species[0] ?? ""))}
            />
            {past.map((p) => (
              <p key={p.releasedAt} className="border-t-2 border-rule py-2 text-[0.95rem] text-soft">
                “{p.condition}” was released by {p.releasedBy}, {when(p.releasedAt)}: {p.reason}
              </p>
            ))}
          </Part>
          <Part title="What is in it">
            <ul>
              {lot.shares.map((s, i) => (
                <li key={s.code} className="flex items-center gap-3 border-t-2 border-rule py-1">
                  <span className="fig w-20 text-[1.8rem] font-bold">{shareWords(s.share)}</span>
                  <Link
                    to={href("/field/:code", { code: s.code })}
                    className="inline-flex min-h-12 min-w-12 items-center text-ink"
                  >
                    <Code>{s.code}</Code>
                  </Link>
                  <span>
                    {lot.species.length === 1
                      ? speciesWords(lot.species)
                      : speciesWords([lot.species[i] ?? lot.species[0]!])}
                  </span>
                </li>
              ))}
            </ul>
          </Part>
          <Part title="Events">
            {happenings.length === 0 && (
              <p className="border-t-2 border-rule py-2 text-soft">Nothing since it was made.</p>
            )}
            <ol>
              {happenings.map((h) => (
                <li key={h.id} className="border-t-2 border-rule py-2">
                  {lotEventWords(h.event, units, when)}
                  <span className="block text-[0.92rem] text-soft">
                    {when(h.at)}
                    {h.byName && `, ${h.byName}`}
                  </span>
                </li>
              ))}
            </ol>
            {last && last.event.kind !== "undo" && (
              <Form method="post">
                <input type="hidden" name="key" value={keyFor(key, "undo")} />
                <Button weight="bare" name="intent" value="undo">
                  Undo the last entry
                </Button>
              </Form>
            )}
          </Part>
        </div>
      </div>
    </Page>
  );
}

const TREATED = { trim: "trimmed again", cook: "cooked", brine: "brined", smoke: "smoked" } as const;

/** `75 %`, `0.4 %`: never 0 % for something that is there. */
function shareWords(share: number): string {
  return share < 0.01 ? `${(share * 100).toFixed(1)} %` : `${Math.round(share * 100)} %`;
}
