import { useForm } from "@conform-to/react";
import { writingOf } from "#store/household";
import { href, redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { ADVICE_C } from "#core/shelf";
import { countOf, formatTemperature, fromSi, unitBySymbol } from "#core/quantity";
import { addStorageEntry, flaggedByStorage, storageRooms } from "#store/shelf";
import { Button } from "#ui/button";
import { TimeChart } from "#ui/chart";
import { Drawer } from "#ui/drawer";
import { FormErrors, KeyedForm, Notice, SelectField, TextField, resultOf } from "#ui/form";
import { Empty, Page, Part } from "#ui/page";
import { storageEventWords } from "../../../words/shelf";
import { whenWords, timesOf } from "../../../words/time";
import { homeContext } from "../../../server/context";
import { formKey, instant, keyField, quantity, submit, writeBy } from "../../../server/form";
import { keptUntilTaken } from "../../../outbox";

export function loader({ context }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  const rooms = storageRooms(larder);
  return {
    key: formKey(),
    units: household.units,
    times: timesOf(household),
    now: larder.now(),
    rooms,
    flagged: flaggedByStorage(larder, rooms).map((f) => ({
      code: f.code,
      kind: f.kind,
      room: f.room,
      from: f.event.from,
    })),
  };
}

export async function action({ request, context }: Route.ActionArgs) {
  const { larder, household, me } = context.get(homeContext);
  const entry = z.object({
    key: keyField,
    room: z.string({ error: "Choose the room." }),
    temp: quantity("temperature", writingOf(household), "The temperature"),
    at: instant(household.zone).optional(),
  });
  return submit(request, entry, (v) => {
    addStorageEntry(larder, writeBy(me, v.key), { room: v.room, tempC: v.temp, at: v.at });
    return redirect(href("/larder/rooms"));
  });
}

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}

export default function Rooms({ loaderData, actionData }: Route.ComponentProps) {
  const { rooms, key, units, times, now, flagged } = loaderData;
  const [form, fields] = useForm<{ room: string; temp: string; at: string }>({
    id: "entry",
    lastResult: resultOf(actionData?.result, undefined),
  });
  const advice = `${formatTemperature(ADVICE_C.low, units)} to ${formatTemperature(21.1, units)}`;
  const unit = units === "us" ? "°F" : "°C";
  return (
    <Page
      title="Rooms"
      lead={`Cool, dark and dry: ${advice} is best (USDA 2015, Guide 1, from memory). Frost lifts lids, heat spoils.`}
    >
      <title>Rooms · Patient Larder</title>
      {rooms.length === 0 ? (
        <Empty title="No room has a shelf yet.">Name a shelf in the Larder first.</Empty>
      ) : (
        <>
          <KeyedForm form={form} formKey={key} className="mb-8 flex flex-wrap items-end gap-4">
            <SelectField
              field={fields.room}
              label="Room"
              choices={rooms.map((r) => ({ value: r.room, label: r.room }))}
              className="min-w-[12rem]"
            />
            <TextField
              field={fields.temp}
              label="Temperature"
              hint={`in ${unit}, or with its unit`}
              className="w-56"
            />
            <TextField field={fields.at} label="When (blank: now)" type="datetime-local" className="w-60" />
            <Button weight="do">Record temperature</Button>
            <FormErrors form={form} />
          </KeyedForm>
          <div className="space-y-10">
            {rooms.map((r) => {
              const last = r.entries.at(-1);
              const points = r.entries.map((e): [number, number] => [
                e.at,
                fromSi(e.tempC, unitBySymbol("temperature", unit)),
              ]);
              return (
                <Part key={r.room} title={`${r.room}: ${countOf(r.standing, "container")}`}>
                  {last ? (
                    <p className="mb-2">
                      <span className="fig text-[2.6rem] leading-none font-bold">
                        {formatTemperature(last.tempC, units)}
                      </span>{" "}
                      <span className="text-soft">{whenWords(last.at, now, times)}</span>
                    </p>
                  ) : (
                    <p className="text-soft">No temperature recorded.</p>
                  )}
                  {r.events.map((e) => {
                    const mine = flagged.filter((f) => f.room === r.room && f.from === e.from);
                    const codes = mine.map((f) => f.code);
                    return (
                      <Notice key={e.from} tone={codes.length ? "care" : "plain"} className="my-2">
                        {storageEventWords(
                          e,
                          r.room,
                          units,
                          now,
                          times,
                          mine.map((f) => f.kind),
                        )}{" "}
                        {codes.length
                          ? `${countOf(codes.length, "container")} stood there and ${codes.length === 1 ? "is" : "are"} still on a shelf: ${codes.join(", ")}.`
                          : "Everything that was there has been checked."}
                      </Notice>
                    );
                  })}
                  {points.length > 1 && (
                    <>
                      <TimeChart
                        series={[{ name: r.room, points }]}
                        unit={unit}
                        times={times}
                        summary={`Temperature of ${r.room}, ${countOf(points.length, "reading")}, last ${formatTemperature(last!.tempC, units)}`}
                        height={200}
                      />
                      <Drawer title="The readings as a table">
                        <table className="text-left">
                          <thead>
                            <tr className="border-b-2 border-ink">
                              <th className="py-1 pr-8">When</th>
                              <th className="py-1">Temperature</th>
                            </tr>
                          </thead>
                          <tbody>
                            {[...r.entries].reverse().map((e) => (
                              <tr key={e.at} className="border-b-2 border-rule">
                                <td className="py-1 pr-8">{whenWords(e.at, now, times)}</td>
                                <td className="py-1">{formatTemperature(e.tempC, units)}</td>
                              </tr>
                            ))}
                          </tbody>
                        </table>
                      </Drawer>
                    </>
                  )}
                </Part>
              );
            })}
          </div>
        </>
      )}
    </Page>
  );
}
