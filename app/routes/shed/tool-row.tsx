import { href, Link } from "react-router";
import type { Standing } from "#core/check";
import { formatPressure, type UnitSystem } from "#core/quantity";
import type { Tool } from "#store/check";
import { StandingLine } from "./standing-line";

const NAMES = { burner: "burner", sealer: "can sealer", thermometer: "thermometer" };

export function ToolRow({ tool: t, units }: { tool: Tool & { standing: Standing[] }; units: UnitSystem }) {
  const facts = [
    NAMES[t.kind],
    t.powerW === null ? "" : `${t.powerW.toLocaleString("en-US")} W`,
    t.induction ? "induction" : "",
    t.outdoors ? "outdoors" : "",
    t.lowestKPa === null ? "" : `lowest flame holds ${formatPressure(t.lowestKPa, units)}`,
    t.note ?? "",
  ].filter(Boolean);
  return (
    <li className="border-t-2 border-rule py-2">
      <Link
        to={href("/shed/:id", { id: t.id })}
        className="inline-flex min-h-12 items-center text-[1.15rem] font-[650] underline decoration-rule decoration-2 underline-offset-4"
      >
        {t.name}
      </Link>{" "}
      <span className="text-soft">{facts.join(", ")}</span>
      <StandingLine standings={t.standing} />
    </li>
  );
}
