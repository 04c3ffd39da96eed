import { capital } from "#core/quantity";
import { HAZARDS, STAGES, type Hazard } from "#core/hazard";

const SEVERITY = { 3: "severe", 2: "serious", 1: "minor" } as const;

/** A cell of a Markdown table: a bar in it would end the cell. */
const cell = (text: string) => text.replaceAll("|", "\\|");

/** A step of the work as a heading: “Heat-up”. */
export const stageWords = (stage: Hazard["stage"]) => capital(stage);

/** The hazard log as a Markdown document, for docs/hazards.md. */
export function hazardsInWords(): string {
  const lines = [
    "# Hazards",
    "",
    `Made from \`core/hazard\` by \`npm run hazards\`. ${HAZARDS.length} ways this program could lead to unsafe food, injury, lost food or a false record, in the order of the work. A test holds each guard and each test named here against the code.`,
    "",
  ];
  for (const stage of STAGES) {
    lines.push(
      `## ${stageWords(stage)}`,
      "",
      "| Cause | By | Harm | Severity | Guard | What is seen | Tests |",
      "| --- | --- | --- | --- | --- | --- | --- |",
    );
    for (const h of HAZARDS.filter((x) => x.stage === stage))
      lines.push(
        `| ${[h.cause, h.actor, h.harm, SEVERITY[h.severity], `\`${h.guard}\``, h.sees, h.tests.map((t) => `\`${t}\``).join("<br>")].map(cell).join(" | ")} |`,
      );
    lines.push("");
  }
  return lines.join("\n");
}
