import { Drawer } from "#ui/drawer";
import { countOf } from "#core/quantity";
import { formatSeam } from "#core/seam";
import { whenWords } from "../../../words/time";
import type { SealerData } from "./data";

/** What happened to the sealer, newest first. */
export function History({ data }: { data: SealerData }) {
  const { records, now, times, units } = data;
  if (records.length === 0) return null;
  return (
    <Drawer title={`The last ${countOf(records.length, "entry", "entries")} entries`} className="mt-6" ruled>
      <ol>
        {records.map((r) => (
          <li key={r.id} className="border-b-2 border-rule py-1">
            <span className="text-soft">{whenWords(r.at, now, times)}</span> {entryWords(r.event, units)}
            {r.note && ` (${r.note})`}
            {r.byName && <span className="text-soft">, {r.byName}</span>}
          </li>
        ))}
      </ol>
    </Drawer>
  );
}

function entryWords(e: SealerData["records"][number]["event"], units: SealerData["units"]): string {
  switch (e.kind) {
    case "set-up":
      return `Setup test ${e.sheet ? `by ${e.sheet.method}` : "by eye"}: ${e.passed ? "passed" : "failed"}. Judged by ${e.limits?.source ?? "eye and finger"}.`;
    case "measured":
      return `Measured on a can: ${[
        e.outside.thickness === undefined ? "" : `thickness ${formatSeam(e.outside.thickness, units)}`,
        e.outside.width === undefined ? "" : `width ${formatSeam(e.outside.width, units)}`,
        e.outside.countersink === undefined ? "" : `countersink ${formatSeam(e.outside.countersink, units)}`,
      ]
        .filter(Boolean)
        .join(", ")}.`;
    case "jam":
      return "It jammed.";
    case "adjusted":
      return "It was adjusted.";
    case "stopped":
      return `Stopped: ${e.reason}`;
  }
}
