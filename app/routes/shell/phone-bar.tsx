import { NavLink, useLocation } from "react-router";
import type { BenchPlace } from "#ui/bench";

/** Where work is most likely going on when one is at none of the places: the hottest first. */
const BY_HEAT = ["fire", "rest", "seam", "pack", "table", "cold", "field"];

/**
 * The place a phone's bar leads to: the one somebody is at, otherwise where work is going on.
 *
 * @param here first part of the address
 */
export function placeOfWork(places: readonly BenchPlace[], here: string): BenchPlace | null {
  const at = places.find((p) => p.key === here);
  const busy = BY_HEAT.map((key) => places.find((p) => p.key === key)).find((p) => p && p.amount > 0);
  return at ?? busy ?? places[0] ?? null;
}

const ITEM =
  "relative flex h-[60px] min-w-0 flex-1 flex-col items-center justify-center px-1 text-ink no-underline active:bg-sheet " +
  "focus-visible:outline-offset-[-3px] aria-[current=page]:text-copper-ink " +
  "aria-[current=page]:after:absolute aria-[current=page]:after:inset-x-0 aria-[current=page]:after:bottom-0 aria-[current=page]:after:h-[5px] aria-[current=page]:after:bg-copper";

/** The five ways of a phone, at its foot within reach of a thumb; everything else is under “More”. */
export function PhoneBar({ places }: { places: readonly BenchPlace[] }) {
  const { pathname } = useLocation();
  const place = placeOfWork(places, pathname.split("/")[1] ?? "");
  const ways: [to: string, name: string, what: string][] = [
    ["/", "Today", "what is next"],
    ...(place ? [[`/${place.key}`, place.name, place.what] as [string, string, string]] : []),
    ["/larder/scan", "Scan", "a label"],
    ["/ask", "Ask", "a schedule"],
    ["/more", "More", "all pages"],
  ];
  return (
    <nav
      aria-label="Main pages"
      className="fixed inset-x-0 bottom-0 z-20 flex border-t-[6px] border-bench bg-paper md:hidden print:hidden"
    >
      {ways.map(([to, name, what]) => (
        <NavLink key={to} to={to} end={to === "/"} className={ITEM}>
          <span className="font-[650] leading-tight">{name}</span>
          <span className="max-w-full truncate text-[0.75rem] leading-tight text-soft">{what}</span>
        </NavLink>
      ))}
    </nav>
  );
}
