import { countOf } from "#core/quantity";
import { defectOf } from "#core/seam";
import { Drawer } from "#ui/drawer";
import { Code } from "#ui/lotmark";
import { clockTime } from "../../words/time";
import type { SeamData } from "./data";

/** Cans whose seam was bad and whose meat is in a new one. Both stay in the record. */
export function Redone({ data }: { data: SeamData }) {
  if (data.redone.length === 0) return null;
  return (
    <Drawer title={`${countOf(data.redone.length, "can")} done again`} className="mt-4">
      <ul className="space-y-1">
        {data.redone.map((r) => (
          <li key={r.code}>
            {clockTime(r.at, data.times)}: <Code>{r.code}</Code> → <Code>{r.newCode}</Code>
            {r.defects.length > 0 && `, ${r.defects.map((d) => defectOf(d).name.toLowerCase()).join(", ")}`}
          </li>
        ))}
      </ul>
    </Drawer>
  );
}
