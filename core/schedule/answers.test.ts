import { expect, test } from "vitest";
import { mFromFt } from "../quantity/index.ts";
import {
  AS_PUBLISHED,
  CONTAINERS,
  PRODUCTS,
  TIMES_AROUND,
  dialStanding,
  governingSchedule,
  officeSchedule,
  pressureTarget,
  scheduledProcess,
  settingsFor,
  takeSnapshot,
  type CannerGauges,
  type GaugeKind,
  type LoadPack,
} from "./index.ts";

// Every answer the tables can give, read over once and kept beside them: what changes one of them shows here as a change of
// that line, and has to be meant. Whether the figures are right is held against the published ones in the tests beside this.

const NOW = Date.UTC(2026, 10, 20);
const MONTH = 30 * 86_400_000;

/** Sentences stand once, at the end, and by their number before. */
class Sentences {
  readonly #all: string[] = [];
  number(text: string): string {
    if (!this.#all.includes(text)) this.#all.push(text);
    return `#${this.#all.indexOf(text) + 1}`;
  }
  lines(): string[] {
    return this.#all.map((s, i) => `#${i + 1} ${s}`);
  }
}

function told(value: unknown, says: Sentences): string {
  if (typeof value === "string") return value.includes(" ") ? says.number(value) : value;
  if (Array.isArray(value)) return `[${value.map((v) => told(v, says)).join(" ")}]`;
  if (typeof value === "object" && value !== null)
    return `{${Object.entries(value)
      .map(([k, v]) => `${k}:${told(v, says)}`)
      .join(" ")}}`;
  return String(value);
}

/** One line a case; a case answered as the one before it is left out. */
function written(cases: Iterable<readonly [name: string, answer: unknown]>): string {
  const says = new Sentences();
  const lines: string[] = [];
  let before = "";
  for (const [name, answer] of cases) {
    const line = told(answer, says);
    if (line !== before) lines.push(`${name}: ${line}`);
    before = line;
  }
  return [...lines, "", ...says.lines(), ""].join("\n");
}

// The edges of every band of the tables, and a foot or a tenth above.
const FEET = [0, 1000, 1000.1, 2000, 2000.1, 4000, 4000.1, 6000, 6000.1, 8000, 8000.1, 10_000];

test("the process of every row at every edge of its bands", async () => {
  function* cases(): Generator<readonly [string, unknown]> {
    for (const product of PRODUCTS)
      for (const container of CONTAINERS)
        for (const pack of ["raw", "hot"] as const) {
          for (const gauge of ["dial", "weighted"] as const)
            for (const ft of FEET) {
              const answer = scheduledProcess({
                product,
                pack,
                container,
                gauge,
                altitudeM: mFromFt(ft),
                rows: AS_PUBLISHED,
              });
              yield [`${product} ${container} ${pack} ${gauge} ${ft} ft`, answer];
            }
        }
  }
  await expect(written(cases())).toMatchFileSnapshot("answers/processes.txt");
});

test("the pressure on every kind of canner, by every instrument", async () => {
  const dials = [null, ...[null, -2.1, -1, 0, 1, 1.1].map((errorPsi) => ({ errorPsi, testedAt: NOW }))];
  const tests: [string, number | null][] = [
    ["tested", NOW - MONTH],
    ["overdue", NOW - 13 * MONTH],
    ["never", null],
  ];
  function* cases(): Generator<readonly [string, unknown]> {
    for (const dial of dials)
      for (const [when, testedAt] of dial?.errorPsi === 0 ? tests : tests.slice(0, 1))
        for (const pieces of [[], [5], [10], [5, 5, 5]])
          for (const [dialPsi, weightedPsi] of [
            [11, 10],
            [13, 15],
            [null, 15],
            [12, null],
          ] as const)
            for (const maxPsi of [null, 15, 20])
              for (const how of ["", "signed", "dial"] as const) {
                const gauges: CannerGauges = { dial: dial && { ...dial, testedAt }, weightPiecesPsi: pieces };
                const c = { dialPsi, weightedPsi, gauges, maxPsi, now: NOW };
                const answer = pressureTarget({
                  ...c,
                  signedOverdue: how === "signed",
                  chosen: how === "dial" ? "dial" : null,
                });
                const name = `${dial ? `dial ${dial.errorPsi} ${when}` : "no dial"}, weight ${pieces.join("+")}, columns ${dialPsi} ${weightedPsi}, limit ${maxPsi} ${how}`;
                yield [name, answer];
              }
  }
  await expect(written(cases())).toMatchFileSnapshot("answers/pressures.txt");
  const dialAt = (errorPsi: number | null, testedAt: number | null) =>
    dialStanding({ dial: { errorPsi, testedAt }, weightPiecesPsi: [] }, NOW);
  expect([1.02, 1.0201, -2.02, -2.0201].map((e) => dialAt(e, NOW))).toEqual([
    "sound",
    "replace",
    "sound",
    "replace",
  ]);
  expect([dialAt(null, NOW), dialAt(0, null)]).toEqual(["untested", "untested"]);
  expect(
    [
      [10, 20],
      [10, 10],
      [10, null],
    ].map(([p, m]) => settingsFor([p!], m!)),
  ).toEqual([[10], [], [10]]);
  expect(settingsFor([10, 5], null)).toEqual([10, 15]);
});

test("loads of two packs, in every canner", async () => {
  const food = (
    product: LoadPack["product"],
    pack: LoadPack["pack"],
    container: LoadPack["container"],
  ): LoadPack => ({ product, pack, container });
  const packs = [
    food("red-meat-pieces", "raw", "jar-pint"),
    food("red-meat-pieces", "hot", "jar-quart"),
    food("fish", "raw", "jar-half-pint"),
    food("fish", "raw", "jar-quart"),
    food("fish-smoked", "raw", "jar-pint"),
    food("soup", "hot", "jar-pint"),
    food("chile-con-carne", "hot", "jar-quart"),
    food("stewed-meat", "hot", "jar-pint"),
    food("can-fish", "raw", "can-half-pound"),
    food("can-game", "hot", "can-one-pound"),
    food("tuna", "raw", "jar-quart"),
  ];
  const given = (gauge: GaugeKind, pressurePsi: number) => {
    const answer = officeSchedule({
      product: "can-game",
      container: "can-one-pound",
      gauge,
      altitudeM: mFromFt(1200),
      minutes: 120,
      pressurePsi,
      office: " an office ",
      givenOn: "2026-10-01",
    });
    if (answer.outcome === "none") throw new Error(answer.reason);
    return { ...food("can-game", "hot", "can-one-pound"), given: answer };
  };
  const loads: LoadPack[][] = [
    [],
    ...packs.flatMap((a, i) => packs.slice(i).map((b) => [a, b])),
    [given("dial", 12), given("dial", 14)],
    [given("weighted", 15), given("dial", 13)],
    [given("weighted", 15), food("can-game", "hot", "can-one-pound")],
  ];
  const sound = { errorPsi: 0.5, testedAt: NOW - MONTH };
  const canners: [string, CannerGauges, number | null][] = [
    ["dial", { dial: sound, weightPiecesPsi: [] }, 21],
    ["weight", { dial: null, weightPiecesPsi: [5, 5, 5] }, 16],
    ["both, 15 quarts", { dial: sound, weightPiecesPsi: [5, 5, 5] }, 15],
    ["both, 22 quarts", { dial: sound, weightPiecesPsi: [5, 5, 5] }, 22],
    ["both, 23 quarts", { dial: sound, weightPiecesPsi: [5, 5, 5] }, 23],
    ["dial of no known size", { dial: sound, weightPiecesPsi: [] }, null],
  ];
  function* cases(): Generator<readonly [string, unknown]> {
    for (const load of loads)
      for (const [name, gauges, quarts] of canners) {
        const answer = governingSchedule(load, { gauges, quarts }, mFromFt(1200), NOW, AS_PUBLISHED);
        const short =
          answer.outcome === "none"
            ? answer
            : { ...answer, each: answer.each.length, conditions: answer.conditions.map((c) => c.key) };
        yield [`${load.map((p) => `${p.product} ${p.pack} ${p.container}`).join(" + ")} | ${name}`, short];
      }
  }
  await expect(written(cases())).toMatchFileSnapshot("answers/loads.txt");
});

test("what an office may give, and what it may not", async () => {
  const sound = {
    product: "can-fish",
    container: "can-half-pound",
    gauge: "dial",
    altitudeM: mFromFt(1200),
    minutes: 100,
    pressurePsi: 12,
    office: " an office ",
    givenOn: "2026-10-01",
  } as const;
  const others: Partial<Parameters<typeof officeSchedule>[0]>[] = [
    {},
    { gauge: "weighted", pressurePsi: 10 },
    { gauge: "weighted", pressurePsi: 9.9 },
    { pressurePsi: 11 },
    { pressurePsi: 10.9 },
    { container: "can-one-pound" },
    { container: "jar-pint" },
    { product: "fish" },
    { product: "red-meat-pieces", container: "jar-pint" },
    { altitudeM: mFromFt(1000) },
    { altitudeM: mFromFt(1000.1) },
    { minutes: 89 },
    { minutes: 109.9, container: "can-one-pound" },
    { minutes: NaN },
    { pressurePsi: NaN },
    { office: " " },
    { givenOn: "" },
    { givenOn: "on 2026-10-01" },
    { givenOn: "2026-10-01x" },
  ];
  await expect(
    written(others.map((o) => [JSON.stringify(o), officeSchedule({ ...sound, ...o })])),
  ).toMatchFileSnapshot("answers/offices.txt");
});

test("the hours around a process, and a snapshot that nothing changes", async () => {
  await expect(written(Object.entries(TIMES_AROUND))).toMatchFileSnapshot("answers/around.txt");
  const load = governingSchedule(
    [{ product: "fish", pack: "raw", container: "jar-pint" }],
    { gauges: { dial: null, weightPiecesPsi: [10] }, quarts: 16 },
    0,
    NOW,
    AS_PUBLISHED,
  );
  if (load.outcome === "none") throw new Error(load.reason);
  const plain = takeSnapshot(load, 0, NOW);
  expect("confirmed" in plain).toBe(false);
  expect(takeSnapshot(load, 0, NOW, ["crab-acid"]).confirmed).toEqual(["crab-acid"]);
  for (const part of [
    plain,
    plain.governing,
    plain.governing.each,
    plain.governing.each[0]!,
    plain.governing.target,
  ])
    expect(Object.isFrozen(part)).toBe(true);
});
