import { href, Link } from "react-router";
import type { Route } from "./+types/route";
import { formatPressure, psiFromKPa } from "#core/quantity";
import { Button } from "#ui/button";
import { TimeChart } from "#ui/chart";
import { Page, Part } from "#ui/page";
import { QrCode } from "#ui/qr-code";
import { thinned } from "../../../words/trace";
import { homeContext } from "../../../server/context";
import { orNotFound } from "../../../server/form";
import { qrPath } from "../../../server/qr";
import { processRecord } from "../../../features/record/record.server";

/** Points of the trace on the screen: every dip is kept, and no browser is asked to draw ten thousand. */
const DRAWN = 1200;

export function loader({ context, params }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const record = orNotFound(() => processRecord(home, params.code));
  return {
    record: { ...record, trace: { ...record.trace, points: thinned(record.trace.points, DRAWN) } },
    readings: record.trace.points.length,
    history: record.history && { ...record.history, qr: qrPath(record.history.long) },
  };
}

export default function Record({ loaderData }: Route.ComponentProps) {
  const { record, readings, history } = loaderData;
  const { trace } = record;
  const us = trace.units === "us";
  const value = (kPa: number) => (us ? psiFromKPa(kPa) : kPa);
  const floor = formatPressure(trace.floorKPa, trace.units);
  return (
    <Page
      title={record.title}
      lead={record.verdict}
      aside={
        <div className="flex flex-wrap gap-3 print:hidden">
          <Button asChild weight="do">
            <a href={href("/fire/:code/record.pdf", { code: record.code })}>As PDF</a>
          </Button>
          <Button asChild>
            <a href={href("/fire/:code/readings.csv", { code: record.code })}>Readings as CSV</a>
          </Button>
          <Button asChild>
            <Link to={href("/fire/:code/heat", { code: record.code })}>What the heat did</Link>
          </Button>
        </div>
      }
    >
      <title>{`${record.title} · Patient Larder`}</title>
      {trace.points.length > 1 ? (
        <TimeChart
          series={[{ name: "Gauge", points: trace.points.map((p) => [p.at, value(p.kPa)]) }]}
          unit={us ? "lb" : "kPa"}
          limit={{ value: value(trace.floorKPa), name: `${floor} minimum` }}
          times={trace.times}
          height={230}
          summary={`Pressure over the run from ${readings} readings; the minimum is ${floor}.`}
        />
      ) : (
        <p className="text-soft">Pressure was told by looking, not by figures: there is no trace to draw.</p>
      )}
      <div className="mt-5 grid gap-x-10 gap-y-6 lg:grid-cols-[1.1fr_1fr]">
        <div className="space-y-5">
          {record.parts.map((part) => (
            <Part key={part.title} title={part.title}>
              <dl className="grid grid-cols-[10rem_1fr] gap-x-4 gap-y-1 max-md:grid-cols-[7.5rem_1fr]">
                {part.lines.map((l, i) => (
                  <div key={i} className="contents">
                    <dt className="text-soft">{l.label}</dt>
                    <dd>{l.text}</dd>
                  </div>
                ))}
              </dl>
            </Part>
          ))}
        </div>
        <div className="space-y-5">
          <Part title="Deviations">
            {record.deviations.length ? (
              <ul className="space-y-1 text-stop">
                {record.deviations.map((d, i) => (
                  <li key={i}>{d}</li>
                ))}
              </ul>
            ) : (
              <p>None.</p>
            )}
          </Part>
          {record.gauges.length > 0 && (
            <Part title="Gauges that sent readings">
              {record.gauges.map((g) => (
                <p key={g}>{g}</p>
              ))}
            </Part>
          )}
          {history && (
            <Part title="History code">
              <div className="flex flex-wrap items-start gap-4">
                <QrCode qr={history.qr} label={`QR code of ${history.text}`} />
                <div className="min-w-0 flex-1 basis-56">
                  <p className="code select-all break-all">{history.text}</p>
                  <p className="mt-1 text-soft">
                    Keep this on paper. Later it shows whether anything before this line was changed: type it
                    under <Link to={href("/records/history")}>History</Link>.
                    {history.key && <> Key of the signatures: {history.key}.</>}
                  </p>
                </div>
              </div>
            </Part>
          )}
          <Part title="Events">
            <ol className="space-y-1">
              {record.events.map((e, i) => (
                <li key={i} className="flex gap-3">
                  <span className="fig text-[1.1em] font-[600]">{e.at}</span>
                  <span className={e.struck ? "line-through" : ""}>{e.what}</span>
                  <span className="ml-auto text-soft">{e.by}</span>
                </li>
              ))}
            </ol>
          </Part>
        </div>
      </div>
    </Page>
  );
}
