import type { Route } from "./+types/readings";
import { getRun } from "#store/run";
import { homeContext } from "../../../server/context";
import { orNotFound } from "../../../server/form";
import { downloadAnswer } from "../../../server/download";

/** Every reading of a run as CSV (RFC 4180), with units in its header. */
export function loader({ context, params }: Route.LoaderArgs) {
  const { larder } = context.get(homeContext);
  const run = orNotFound(() => getRun(larder, params.code));
  const rows = run.events
    .filter((e) => e.type === "reading")
    .sort((a, b) => a.at - b.at || a.seq - b.seq)
    .map((e) =>
      [
        new Date(e.at).toISOString(),
        e.gaugeKPa ?? "",
        e.tempC ?? "",
        cell(e.source ?? "canner"),
        cell(e.by ?? ""),
      ].join(","),
    );
  return downloadAnswer(
    ["at (UTC),gauge (kPa),inside (°C),gauge name,by", ...rows, ""].join("\r\n"),
    "text/csv; charset=utf-8",
    `run-${run.code}-readings.csv`,
  );
}

/** A name that no spreadsheet takes for a formula. */
function cell(text: string): string {
  const safe = /^[=+\-@\t\r]/.test(text) ? `'${text}` : text;
  return `"${safe.replaceAll('"', '""')}"`;
}
