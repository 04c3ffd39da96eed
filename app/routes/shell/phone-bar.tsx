import { memo } from "react";
import { href, Link, useLocation } from "react-router";
import type { BenchPlace, PlaceKey } from "#ui/bench";

/** Where work is most likely going on when one is at none of the places: the hottest first. */
const BY_HEAT: PlaceKey[] = ["fire", "rest", "seam", "pack", "table", "cold", "field"];

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

/** The five ways of a phone, at its foot within reach of a thumb; everything else is under “More”. */
export const PhoneBar = memo(function PhoneBar({ places }: { places: readonly BenchPlace[] }) {
  const { pathname } = useLocation();
  const place = placeOfWork(places, pathname.split("/")[1] ?? "");
  const ways: [to: string, name: string, what: string][] = [
    ["/", "Today", "to do"],
    ...(place ? [[href(`/${place.key}`), place.name, place.what] as [string, string, string]] : []),
    [href("/larder/scan"), "Scan", "a label"],
    [href("/ask"), "Ask", "a schedule"],
    [href("/more"), "More", "all pages"],
  ];
  // Scanning is a page of the larder: the longest address that fits is where one is.
  const here = ways
    .map(([to]) => to)
    .filter((to) => (to === "/" ? pathname === "/" : pathname === to || pathname.startsWith(`${to}/`)))
    .sort((a, b) => b.length - a.length)[0];
  return (
    <nav aria-label="Main pages" className="phone-bar">
      {ways.map(([to, name, what]) => (
        <Link key={to} to={to} aria-current={to === here ? "page" : undefined}>
          <b>{name}</b>
          <span>{what}</span>
        </Link>
      ))}
    </nav>
  );
});
