import { href, Link } from "react-router";
import { formatMass, formatMassShort, type UnitSystem } from "#core/quantity";
import { CAUTIONS, speciesByKey, treatedAs } from "#core/species";
import type { Harvest } from "#store/harvest";
import { Button } from "#ui/button";
import { Notice } from "#ui/form";
import { contentsOf } from "#ui/glyph";
import { Code, LotMark } from "#ui/lotmark";
import { dayWords, type Times } from "../../words/time";

/** One animal or catch of the book: what is known, what is missing, what it waits for. */
export function HarvestRow({
  harvest: h,
  units,
  times,
  first,
}: {
  harvest: Harvest;
  /** the first of its kind on the page: what holds for the whole kind is said here */
  first: boolean;
  units: UnitSystem;
  times: Times;
}) {
  const species = speciesByKey(h.species)!;
  const missing = [
    h.weightKg === null && "weight",
    !h.place && "place",
    !h.tag && "tag",
    h.killedAt === null && "time of kill",
  ].filter(Boolean);
  const note = first ? treatedAs(species) : null;
  return (
    <li className="border-t-2 border-rule py-4">
      <div className="flex items-start gap-4">
        <LotMark code={h.code} contents={contentsOf(null, [h.species])} />
        <div className="min-w-0 flex-1">
          <div className="flex flex-wrap items-baseline gap-x-3">
            <Link
              to={href("/field/:code", { code: h.code })}
              className="inline-flex min-h-12 items-center text-[1.2rem] font-[650] text-ink underline decoration-rule decoration-2 underline-offset-4"
            >
              {h.count > 1 ? `${h.count} ${species.plural}` : species.name}
            </Link>
            <Code>{h.code}</Code>
          </div>
          <p className="text-soft">
            {dayWords(h.takenOn, times)}
            {h.place && `, ${h.place}`}
            {(h.takenBy ?? h.byName) && `, ${h.takenBy ?? h.byName}`}
            {h.tag && `, tag ${h.tag}`}
          </p>
          <p>
            {h.weightKg !== null && (
              <>
                <b>{formatMass(h.weightKg, units)}</b>{" "}
                {h.weightKind === "catch" ? "in all" : h.weightKind === "live" ? "whole" : h.weightKind}
                {h.cutKg > 0 && <>, {formatMassShort(Math.max(0, h.leftKg ?? 0), units)} left to cut</>}
              </>
            )}
            {missing.length > 0 && <span className="text-amber"> Missing: {missing.join(", ")}.</span>}
          </p>
          {note && <p className="text-[0.92rem] text-soft">{note}</p>}
          {h.cutKg === 0 && species.cautions.includes("trichinella") && (
            <p className="text-[0.92rem] text-soft">{CAUTIONS.trichinella}</p>
          )}
          {h.holds.map((x) => (
            <Notice key={x.id} tone="care" className="mt-2">
              <b>On hold:</b> {x.condition}.
            </Notice>
          ))}
        </div>
        {(h.leftKg ?? 1) > 0.05 && (
          <Button asChild className="max-sm:hidden">
            <Link to={`${href("/table")}?harvest=${h.id}`}>Cut into lots</Link>
          </Button>
        )}
      </div>
    </li>
  );
}
