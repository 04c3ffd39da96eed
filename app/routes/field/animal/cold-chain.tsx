import { useForm } from "@conform-to/react";
import type { SubmissionResult } from "@conform-to/react";
import { Form } from "react-router";
import { countOf, fFromC, formatDuration, formatTemperature } from "#core/quantity";
import type { RefusedRow } from "#core/cold";
import { Button } from "#ui/button";
import { Drawer, useLast } from "#ui/drawer";
import { TimeChart } from "#ui/chart";
import { keyFor, FormErrors, KeyedForm, Notice, PickField, TextField, resultOf, FileForm } from "#ui/form";
import { fieldTime, whenWords } from "../../../words/time";
import type { Route } from "./+types/route";

type Data = Route.ComponentProps["loaderData"];
interface LogDone {
  log?: { added: number; known: number; refusedCount: number; refused: RefusedRow[] };
}

/** From the kill to the cold: what was advised, what was measured, and a place to write the next. */
export function ColdChain({
  data,
  result,
  done,
}: {
  data: Data;
  result: SubmissionResult | undefined;
  done: object | null;
}) {
  const { entries, entryCount, line, units, times, now, limitC, warm } = data;
  const shown = (c: number) => (units === "us" ? fFromC(c) : c);
  const unit = units === "us" ? "°F" : "°C";
  const limit = formatTemperature(limitC, units);
  const log = useLast((done as LogDone | null)?.log);
  return (
    <section id="cold" aria-label="Cold chain" className="scroll-mt-4">
      <h2 className="mb-2 text-[1.06rem] text-soft">Cold chain</h2>
      <Spans data={data} />
      {line.length > 1 ? (
        <TimeChart
          series={[
            { name: "Temperature", points: line.map(([at, c]) => [at, Math.round(shown(c) * 10) / 10]) },
          ]}
          unit={unit}
          limit={{ value: shown(limitC), name: limit }}
          times={times}
          summary={`Temperature from ${formatTemperature(line[0]![1], units)} to ${formatTemperature(line.at(-1)![1], units)}; ${formatDuration(warm.warmMinutes * 60)} above ${limit}.`}
        />
      ) : (
        <p className="border-t-2 border-rule py-3 text-soft">
          {line.length ? "One temperature so far." : "No temperature recorded yet."}
        </p>
      )}
      <EntryForm data={data} result={result} />
      {log && (
        <Notice tone={log.refusedCount ? "care" : "good"} className="mt-4">
          <p role="status" className="font-[650]">
            {countOf(log.added, "reading")} imported
            {log.known > 0 && `, ${log.known.toLocaleString("en-US")} already here`}
            {log.refusedCount > 0 && `, ${log.refusedCount.toLocaleString("en-US")} refused`}.
          </p>
          {log.refused.length > 0 && (
            <ul
              className="mt-1 max-h-56 overflow-y-auto text-[0.95rem]"
              tabIndex={0}
              aria-label="Refused lines"
            >
              {log.refused.map((r, i) => (
                <li key={i}>
                  {r.line > 0 && <b>Line {r.line}: </b>}
                  {r.reason}
                </li>
              ))}
              {log.refusedCount > log.refused.length && <li>And more like these.</li>}
            </ul>
          )}
        </Notice>
      )}
      <LogForm data={data} result={result} read={log !== null} />
      {entries.length > 0 && (
        <Drawer
          title={
            entryCount > entries.length
              ? `The last ${entries.length} of ${entryCount.toLocaleString("en-US")} entries`
              : `Every entry (${entryCount})`
          }
          className="mt-1"
        >
          <div className="max-h-96 overflow-y-auto" tabIndex={0} aria-label="Every entry of the cold chain">
            <table className="w-full text-left">
              <thead className="text-[0.92rem] text-soft">
                <tr>
                  <th className="pr-4 font-normal">When</th>
                  <th className="pr-4 font-normal">Temperature</th>
                  <th className="pr-4 font-normal">Where</th>
                  <th className="pr-4 font-normal">By</th>
                  <th className="sr-only">Undo</th>
                </tr>
              </thead>
              <tbody>
                {[...entries].reverse().map((e) => (
                  <tr key={e.id} className="border-t-2 border-rule">
                    <td className="py-1 pr-4">{whenWords(e.at, now, times)}</td>
                    <td className="pr-4">{e.tempC === null ? "" : formatTemperature(e.tempC, units)}</td>
                    <td className="pr-4">{e.place}</td>
                    <td className="pr-4">
                      {e.source === "tap" ? e.byName : e.source === "file" ? "logger" : "probe"}
                      {e.probe && ` ${e.probe}`}
                    </td>
                    <td>
                      {e.source === "tap" && (
                        <Form method="post">
                          <input type="hidden" name="key" value={keyFor(data.key, `strike ${e.id}`)} />
                          <input type="hidden" name="intent" value="strike" />
                          <input type="hidden" name="entryId" value={e.id} />
                          <Button weight="bare">Undo</Button>
                        </Form>
                      )}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </Drawer>
      )}
    </section>
  );
}

/** Killed or caught to gutted and to cold, and time spent warm, each against what is advised. */
function Spans({ data }: { data: Data }) {
  const { intervals, warm, limitC, units } = data;
  const limit = formatTemperature(limitC, units);
  return (
    <>
      <dl className="mb-2 flex flex-wrap gap-x-10 gap-y-3">
        {intervals.map((i) => (
          <div key={i.to}>
            <dt className="text-[0.95rem] text-soft">
              {data.fish ? "Caught" : "Killed"} to {i.to}
            </dt>
            <dd className={`fig text-[2.4rem] leading-none font-bold ${i.late ? "text-stop" : ""}`}>
              {i.minutes === null ? (
                <span className="text-amber">missing</span>
              ) : (
                formatDuration(i.minutes * 60)
              )}
            </dd>
            <dd className="text-[0.9rem] text-soft" title={i.source}>
              {i.late ? "longer than advised: " : "advised: within "}
              {formatDuration(i.advisedMinutes * 60)}
            </dd>
          </div>
        ))}
        <div>
          <dt className="text-[0.95rem] text-soft">Above {limit}</dt>
          <dd className="fig text-[2.4rem] leading-none font-bold">
            {warm.watchedMinutes > 0 ? (
              formatDuration(warm.warmMinutes * 60)
            ) : (
              <span className="text-amber">unknown</span>
            )}
          </dd>
          <dd className="text-[0.9rem] text-soft">
            {warm.watchedMinutes > 0
              ? `thermometer ran ${formatDuration(warm.watchedMinutes * 60)}`
              : "record at least two temperatures"}
            {warm.unwatchedMinutes > 60 &&
              warm.watchedMinutes > 0 &&
              `, no readings for ${formatDuration(warm.unwatchedMinutes * 60)}`}
          </dd>
        </div>
      </dl>
      <p className="mb-2 text-[0.9rem] text-soft">{intervals[0]?.source}.</p>
    </>
  );
}

function EntryForm({ data, result }: { data: Data; result: SubmissionResult | undefined }) {
  const [form, fields] = useForm<{ place: string; temp: string; at: string }>({
    id: "entry",
    lastResult: resultOf(result, "entry"),
  });
  return (
    <KeyedForm form={form} formKey={keyFor(data.key, "entry")} intent="entry" className="mt-3">
      <div className="grid items-end gap-3 sm:grid-cols-2 xl:grid-cols-[1fr_9rem_14rem_auto]">
        <TextField field={fields.place} label="Place" list="cold-places" />
        <TextField
          field={fields.temp}
          label="Temperature"
          inputMode="text"
          placeholder={data.units === "us" ? "38 °F" : "3 °C"}
        />
        <TextField
          field={fields.at}
          label="When"
          type="datetime-local"
          max={fieldTime(data.now, data.times.zone)}
          defaultValue={
            (fields.at.initialValue as string | undefined) ?? fieldTime(data.now, data.times.zone)
          }
        />
        <Button>Add reading</Button>
      </div>
      <datalist id="cold-places">
        {["Hanging outside", "Meat safe", "Cooler with ice", "Fridge", "Cellar"].map((p) => (
          <option key={p} value={p} />
        ))}
      </datalist>
      <FormErrors form={form} />
    </KeyedForm>
  );
}

function LogForm({
  data,
  result,
  read,
}: {
  data: Data;
  result: SubmissionResult | undefined;
  /** one was just taken in: the next is likely to follow */
  read: boolean;
}) {
  const own = resultOf(result, "log");
  const [form, fields] = useForm<{ file: string; probe: string; dateOrder: string }>({
    id: "log",
    lastResult: own,
  });
  return (
    <Drawer title="Import a temperature log" className="mt-3" open={read || own?.status === "error"}>
      <FileForm form={form} formKey={keyFor(data.key, "log")} intent="log" className="space-y-3 pb-2">
        <p className="text-[0.95rem] text-soft">
          A CSV file. Its first line names the columns: time, temp_C or temp_F, and probe if there are
          several. Times without a zone are read in {data.times.zone}. Up to 20 MB and 100,000 readings; the
          same file twice adds nothing.
        </p>
        <PickField
          field={fields.dateOrder}
          label="In 03/04/2026, the first number is the"
          fallback={data.units === "us" ? "month-first" : "day-first"}
          options={[
            { value: "month-first", label: "month" },
            { value: "day-first", label: "day" },
          ]}
        />
        <TextField field={fields.probe} label="Probe, if the file has several" />
        <TextField
          field={fields.file}
          label="The file"
          type="file"
          accept=".csv,.txt,.tsv,text/csv,text/plain"
        />
        <FormErrors form={form} />
        <Button>Import file</Button>
      </FileForm>
    </Drawer>
  );
}
