/** A lifetime of jars, for measuring: 50 pints a run, written straight into the tables after the pattern of one real run. */
import { v7 as uuid } from "uuid";
import { codeFor } from "#core/code";
import { DAY_MS, MINUTE_MS, kPaFromPsi } from "#core/quantity";
import { openLarder, type Larder } from "#store/db";
import { NO_MEASURES, addCanner, recordGaugeCheck } from "#store/equipment";
import { recordHarvest } from "#store/harvest";
import { setUpHousehold } from "#store/household";
import { cutLot } from "#store/lot";
import { makePack } from "#store/pack";
import { containersOfRun } from "#store/rest";
import { openRun, tapRun, type Tap } from "#store/run";
import { addPlace } from "#store/shelf";
import { addSupply, recount } from "#store/supply";
import { STEADY_COURSE } from "#store/testing";

const PER_RUN = 50;
const SHELVES = 40;
/** Runs that one animal goes into, and that one box of lids closes. */
const RUNS_OF_ANIMAL = 4;
const RUNS_OF_BOX = 2;

/** To the towel and, thirteen hours later, the last lid. */
const COURSE: readonly [minute: number, type: Tap["type"]][] = [
  ...STEADY_COURSE,
  [161, "unloaded"],
  [941, "checked"],
];

type Row = Record<string, unknown>;

/**
 * Fills a folder with so many runs of 50 pints.
 * @param standing containers still on the shelves at the end: the newest; the rest is eaten
 */
export function fillLifetime(folder: string, runs: number, standing: number, end: number): void {
  let now = end - 20 * 365 * DAY_MS;
  const larder = openLarder(folder, () => now);
  larder.sqlite.pragma("synchronous = OFF");
  const nobody = { key: uuid(), byId: null };
  const home = { name: "Bench", altitudeM: 150, units: "us" as const, zone: "UTC", gauge: "dial" as const };
  const { personId } = setUpHousehold(larder, nobody, { ...home, personName: "Ada" });
  const write = () => ({ key: uuid(), byId: personId });
  const { id: cannerId } = addCanner(larder, write(), {
    name: "Cannery kettle",
    quarts: 60,
    hasDial: true,
    weightPiecesPsi: [],
    safeMaxKPa: kPaFromPsi(20),
    measures: { ...NO_MEASURES, manual: { "jar-pint": 50 } },
  });
  recordGaugeCheck(larder, write(), { cannerId, at: now, errorKPa: 0, note: null });
  const places = Array.from(
    { length: SHELVES },
    (_, i) =>
      addPlace(larder, write(), { room: `Room ${Math.floor(i / 10) + 1}`, name: `Shelf ${(i % 10) + 1}` }).id,
  );
  const boxes = Array.from(
    { length: Math.ceil(runs / RUNS_OF_BOX) },
    (_, i) =>
      addSupply(larder, write(), {
        kind: "lid",
        container: null,
        mouth: "regular",
        label: `box ${i + 1}`,
        count: 1,
      }).id,
  );
  // All but the newest few are used up.
  for (const supplyId of boxes.slice(0, -10)) recount(larder, write(), { supplyId, left: 0, why: "counted" });
  const day = new Date(now).toISOString().slice(0, 10);
  const animal = recordHarvest(
    larder,
    write(),
    {
      species: "wild-boar",
      takenOn: day,
      place: null,
      tag: null,
      count: 1,
      weightKg: 150,
      weightKind: "dressed",
      note: null,
      holdFor: null,
    },
    day,
  );
  const cut = {
    harvestId: animal.id,
    part: "Shoulder",
    form: "pieces" as const,
    inKg: 30,
    outKg: 26,
    trimKg: null,
    kept: "fridge" as const,
  };
  const lot = cutLot(larder, write(), cut, "us");
  const pack = makePack(larder, write(), {
    lotId: lot.id,
    massKg: 25,
    product: "red-meat-pieces",
    method: "raw",
    container: "jar-pint",
    mouth: "regular",
    count: PER_RUN,
    sure: true,
    liquid: "none",
    saltTspEach: 0,
    reusedLids: false,
  });
  const began = now;
  const run = openRun(larder, write(), { cannerId, packIds: [pack.id], signedReason: null });
  for (const [minute, type] of COURSE) {
    now = began + minute * MINUTE_MS;
    tapRun(larder, run.id, { id: uuid(), type, by: "Ada" });
  }
  const first = containersOfRun(larder, run.id).map((c) => c.id);
  copyRun(larder, { runs, standing, end, began, personId, places, boxes, animal, lot, pack, run, first });
  larder.sqlite.exec("analyze");
  larder.close();
}

interface Pattern {
  runs: number;
  standing: number;
  end: number;
  began: number;
  personId: string;
  places: string[];
  boxes: string[];
  animal: { id: string };
  lot: { id: string };
  pack: { id: string };
  run: { id: string };
  first: string[];
}

/** The first run again and again, at its own time and with its own codes, some of it eaten. */
function copyRun(larder: Larder, p: Pattern): void {
  const { sqlite } = larder;
  const get = (table: string, id: string) =>
    sqlite.prepare(`select * from ${table} where id = ?`).get(id) as Row;
  const putter = (table: string, row: Row) => {
    const names = Object.keys(row);
    const put = sqlite.prepare(
      `insert into ${table} (${names.join(", ")}) values (${names.map((n) => `@${n}`).join(", ")})`,
    );
    return (over: Row) => void put.run({ ...row, ...over });
  };
  let number = (sqlite.prepare("select max(number) as n from code_register").get() as { n: number }).n + 1;
  const register = sqlite.prepare(
    "insert into code_register (code, number, kind, entity_id) values (?, ?, ?, ?)",
  );
  const code = (kind: string, id: string) => {
    const text = codeFor(number);
    register.run(text, number++, kind, id);
    return text;
  };
  const animals = putter("harvest", get("harvest", p.animal.id));
  const lots = putter("lot", get("lot", p.lot.id));
  const packs = putter("pack", get("pack", p.pack.id));
  const runs = putter("run", get("run", p.run.id));
  const events = (
    sqlite.prepare("select * from run_event where run_id = ? order by seq").all(p.run.id) as Row[]
  ).map((e) => {
    const { seq: _, ...row } = e;
    return row;
  });
  const event = putter("run_event", events[0]!);
  const containers = putter("container", { ...get("container", p.first[0]!), seal: null, sealed_at: null });
  const flow = sqlite.prepare(
    "insert into lot_flow (id, from_harvest, from_lot, to_lot, mass_kg, at) values (?, ?, null, ?, 30, ?)",
  );
  const origin = sqlite.prepare("insert into lot_origin (lot_id, harvest_id, share) values (?, ?, 1)");
  const packLot = sqlite.prepare("insert into pack_lot (pack_id, lot_id, mass_kg) values (?, ?, 25)");
  const lid = sqlite.prepare(
    "insert or replace into container_lid (container_id, supply_id, pack_id) values (?, ?, ?)",
  );
  const seal = sqlite.prepare(
    "insert into seal_check (id, container_id, at, finding, by_id) values (?, ?, ?, 'sealed', ?)",
  );
  const move = sqlite.prepare(
    "insert into movement (id, container_id, at, kind, place_id, by_id) values (?, ?, ?, ?, ?, ?)",
  );
  const changed = sqlite.prepare(
    "insert into audit (at, by_id, action, entity_kind, entity_id, detail) values (?, ?, ?, 'container', ?, '{}')",
  );
  const gone = p.runs * PER_RUN - p.standing;
  sqlite.transaction(() => {
    let animal = p.animal.id;
    for (let i = 0; i < p.runs; i++) {
      const at = Math.round(p.began + ((p.end - p.began - 2 * DAY_MS) * i) / p.runs);
      const shift = at - p.began;
      let [runId, packId, ids] = [p.run.id, p.pack.id, p.first];
      if (i > 0) {
        if (i % RUNS_OF_ANIMAL === 0) {
          animal = uuid();
          animals({ id: animal, code: code("harvest", animal), created_at: at });
        }
        const lotId = uuid();
        lots({ id: lotId, code: code("lot", lotId), made_at: at, last_at: at, made_kg: 25, left_kg: 25 });
        flow.run(uuid(), animal, lotId, at);
        origin.run(lotId, animal);
        runId = uuid();
        runs({
          id: runId,
          code: code("run", runId),
          opened_at: at,
          completed_at: (get("run", p.run.id).completed_at as number) + shift,
          ended_at: (get("run", p.run.id).ended_at as number) + shift,
        });
        for (const e of events)
          event({
            ...e,
            id: uuid(),
            run_id: runId,
            at: (e.at as number) + shift,
            recorded_at: (e.recorded_at as number) + shift,
          });
        packId = uuid();
        packs({ id: packId, code: code("pack", packId), run_id: runId, made_at: at });
        packLot.run(packId, lotId);
        ids = Array.from({ length: PER_RUN }, (_, n) => {
          const id = uuid();
          containers({ id, code: code("container", id), pack_id: packId, number: n + 1 });
          return id;
        });
      }
      for (const [n, id] of ids.entries()) {
        lid.run(id, p.boxes[Math.floor(i / RUNS_OF_BOX)]!, packId);
        changed.run(at + 16 * 60 * MINUTE_MS, p.personId, "seal.check", id);
        seal.run(uuid(), id, at + 16 * 60 * MINUTE_MS, p.personId);
        move.run(
          uuid(),
          id,
          at + 17 * 60 * MINUTE_MS,
          "shelved",
          p.places[(i * 7 + n) % p.places.length]!,
          p.personId,
        );
        if (i * PER_RUN + n < gone)
          move.run(uuid(), id, Math.min(p.end - DAY_MS, at + (100 + n) * DAY_MS), "opened", null, p.personId);
      }
    }
  })();
}
