import { blocks, type Standing } from "#core/check";

/** In a line: what stops a load, what is overdue, and otherwise nothing but that all is well. */
export function StandingLine({ standings }: { standings: readonly Standing[] }) {
  const { stops, signs } = blocks(standings);
  const never = standings.filter((s) => s.state === "never").length;
  const names = (list: readonly Standing[]) => list.map((s) => s.item.name.toLowerCase()).join(", ");
  if (stops.length > 0)
    return <p className="font-[650] text-stop">✕ Not to be used: {names(stops)} not sound.</p>;
  if (signs.length > 0) return <p className="text-amber">△ Due for a look: {names(signs)}.</p>;
  if (never === standings.length) return <p className="text-soft">Not checked yet.</p>;
  return <p className="text-moss">✓ Nothing found bad{never > 0 ? `, ${never} not checked yet` : ""}.</p>;
}
