import { href, Link } from "react-router";
import type { FreezerAge } from "#core/cold";
import { notPackedWords } from "#core/lot";
import type { UnitSystem } from "#core/quantity";
import { FORM_NAMES } from "#core/species";
import type { Lot } from "#store/lot";
import { Button } from "#ui/button";
import { OneTap } from "#ui/form";
import { TimeSince } from "#ui/clock";
import { contentsOf } from "#ui/glyph";
import { Code, LotMark } from "#ui/lotmark";
import { cutWords } from "../../words/load";
import { ageWords, lotAmount } from "../../words/lot";
import { whenWords, type Times } from "../../words/time";

/** One lot in the cold: what it is, how old, what it waits for, and the next thing to do with it. */
export function ColdRow({
  lot: l,
  ticked,
  units,
  times,
  now,
}: {
  lot: Lot & { key: string; age: FreezerAge | null };
  ticked: boolean;
  units: UnitSystem;
  times: Times;
  now: number;
}) {
  return (
    <li className="flex items-center gap-3 border-t-2 border-rule py-3 max-sm:flex-wrap">
      <label className="flex min-h-12 min-w-12 cursor-pointer items-center justify-center">
        <input
          type="checkbox"
          form="merge"
          name="lotIds"
          value={l.id}
          defaultChecked={ticked}
          aria-label={`Merge ${l.code}`}
          className="size-7 accent-copper"
        />
      </label>
      <LotMark
        code={l.code}
        contents={contentsOf(l.form === "broth" ? "broth" : null, l.species)}
        size={48}
      />
      <div className="min-w-0 flex-1">
        <div className="flex flex-wrap items-baseline gap-x-3">
          <Link
            to={href("/cold/:code", { code: l.code })}
            className="inline-flex min-h-12 min-w-12 items-center text-ink"
          >
            <Code>{l.code}</Code>
          </Link>
          <b className="text-[1.15rem]">{lotAmount(l.form, l.leftKg, units)}</b>
          {l.forWhom && <span className="font-[650]">{l.forWhom}’s</span>}
        </div>
        <div>
          {cutWords(l.part, l.species)}, {FORM_NAMES[l.form]}
        </div>
        <div className="text-[0.92rem] text-soft">
          <Age lot={l} />
          {l.place && ` · ${l.place}`}
          {l.thaw && (
            <span className="text-ink">
              {l.thaw.begun
                ? ` · ready about ${whenWords(l.thaw.readyAt, now, times)}`
                : ` · take out ${whenWords(l.thaw.startAt, now, times)}`}
            </span>
          )}
          {l.holds.length > 0 && (
            <span className="font-[650] text-amber"> · on hold: {l.holds.join("; ")}</span>
          )}
          {(l.notPackable === "old" || l.notPackable === "warm") && (
            <p className="font-[650] text-stop">{notPackedWords(l.notPackable, l)}</p>
          )}
        </div>
      </div>
      <div className="flex flex-col gap-2 max-sm:w-full max-sm:flex-row max-sm:justify-end">
        {l.notPackable === null && (
          <Button asChild>
            <Link to={`${href("/pack")}?lot=${l.id}`}>Pack</Link>
          </Button>
        )}
        {l.kept === "freezer" ? (
          <Button asChild weight="bare">
            <Link to={href("/cold/:code", { code: l.code })}>Thaw</Link>
          </Button>
        ) : (
          <OneTap says={{ key: l.key, lotId: l.id }}>
            <Button weight="bare" name="intent" value={l.kept === "thawing" ? "thawed" : "freeze"}>
              {l.kept === "thawing" ? "Mark as thawed" : "Freeze"}
            </Button>
          </OneTap>
        )}
      </div>
    </li>
  );
}

function Age({ lot: l }: { lot: Lot & { age: FreezerAge | null } }) {
  if (!l.age)
    return (
      <>
        cut <TimeSince since={l.madeAt} /> ago
      </>
    );
  const care = l.age.standing === "fresh" ? "" : "font-[650] text-amber";
  return (
    <span className={care}>
      frozen {ageWords(l.age.days)}
      {l.age.standing === "soon" && ", soon a year"}
      {l.age.standing === "over" && ", past its year"}
    </span>
  );
}
