import type { PlanProblemNote } from "#core/plan";
import { Notice } from "#ui/form";

/** What could not be planned as wished, each with what would work. Said once each. */
export function Notes({ notes }: { notes: readonly PlanProblemNote[] }) {
  const said = [...new Map(notes.map((n) => [n.reason, n])).values()];
  if (said.length === 0) return null;
  return (
    <ul className="mb-5 space-y-3" aria-label="What could not be planned">
      {said.map((n) => (
        <li key={n.reason}>
          <Notice tone="care">
            <b>{n.reason}</b> {n.instead.join(" ")}
          </Notice>
        </li>
      ))}
    </ul>
  );
}
