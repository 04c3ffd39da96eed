import { href, Link } from "react-router";
import { formatMass, type UnitSystem } from "#core/quantity";
import { FORM_NAMES } from "#core/species";
import type { Loss } from "#store/harvest";
import type { Lot } from "#store/lot";
import { contentsOf } from "#ui/glyph";
import { Code, LotMark } from "#ui/lotmark";
import { Part } from "#ui/page";

type CutLot = Lot & { inKg: number };

/** The code of the lot just made, huge, to be copied to its bag from where one stands. */
export function OnTheBag({ lot, units }: { lot: CutLot; units: UnitSystem }) {
  return (
    <div
      role="status"
      className="mt-4 flex flex-wrap items-end gap-x-8 gap-y-1 rounded border-2 border-ink bg-sheet px-5 py-3"
    >
      <div>
        <p className="text-[0.95rem] text-soft">Write this on the bag</p>
        <div className="fig text-[6.4rem] leading-[0.95] font-bold tracking-wide max-sm:text-[4.6rem]">
          {lot.code}
        </div>
      </div>
      <p className="pb-2 text-[1.3rem]">
        <b>{formatMass(lot.madeKg, units)}</b> {lot.part}, {FORM_NAMES[lot.form]}
        {lot.forWhom && (
          <>
            , <b>{lot.forWhom}’s</b>
          </>
        )}
      </p>
    </div>
  );
}

/** The lots made of an animal so far, newest first, and what was thrown out. */
export function MadeLots({
  lots,
  losses,
  units,
  species,
}: {
  lots: readonly CutLot[];
  losses: readonly Loss[];
  units: UnitSystem;
  species: string;
}) {
  const contents = contentsOf(null, [species]);
  return (
    <Part title="Lots from this animal">
      {lots.length + losses.length === 0 && (
        <p className="border-t-2 border-rule py-4 text-soft">None yet.</p>
      )}
      <ul>
        {lots.map((l) => (
          <li key={l.id} className="flex items-center gap-3 border-t-2 border-rule py-2">
            <LotMark code={l.code} contents={contents} size={36} />
            <div className="min-w-0 flex-1">
              <Link
                to={href("/cold/:code", { code: l.code })}
                className="inline-flex min-h-12 items-center gap-2 text-ink no-underline"
              >
                <Code>{l.code}</Code> {l.part}, {FORM_NAMES[l.form]}
              </Link>
              <div className="text-[0.92rem] text-soft">
                {formatMass(l.madeKg, units)} of {formatMass(l.inKg, units)},{" "}
                {Math.round((l.madeKg / l.inKg) * 100)} %
              </div>
            </div>
            {l.notPackable === null && (
              <Link
                to={`${href("/pack")}?lot=${l.id}`}
                className="inline-flex min-h-12 items-center px-2 font-[650] text-ink underline underline-offset-4"
              >
                Pack
              </Link>
            )}
          </li>
        ))}
        {losses.map((l) => (
          <li key={l.id} className="border-t-2 border-rule py-2 text-soft">
            {l.what}, {formatMass(l.massKg, units)}, thrown out
          </li>
        ))}
      </ul>
    </Part>
  );
}
