import { createWriteStream, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, describe, expect, test } from "vitest";
import { DAY_MS } from "#core/quantity";
import { AS_PUBLISHED, figuresAsked, publishedFigures, type ProductKey } from "#core/schedule";
import { onBehalfOf, openLarder } from "#store/db";
import {
  addGuide,
  addOffice,
  beginComparing,
  comparingNow,
  decideRow,
  endComparing,
  endOffice,
  keepPagePhoto,
  listGuides,
  listOffices,
  officesFor,
  pagePhotoFile,
  recordComparison,
  standingOf,
} from "#store/guide";
import { preparePhoto } from "#store/harvest";
import { addPerson, changeHousehold, getHousehold } from "#store/household";
import { verifyLarder } from "#store/history";
import { getPack } from "#store/pack";
import { getRun } from "#store/run";
import { readArchive, writeArchive } from "#store/transfer";
import {
  openTestRun,
  packPints,
  refusal,
  refusedFields,
  runToTowel,
  testLarder,
  type TestLarder,
} from "./testing/index.ts";

const folders: string[] = [];
afterAll(() => folders.forEach((f) => rmSync(f, { recursive: true, force: true })));
const ROW: ProductKey = "red-meat-pieces";

interface Who {
  key: string;
  byId: string;
}
const as =
  (t: TestLarder, byId: string): (() => Who) =>
  () => ({ ...t.write(), byId });
const second = (t: TestLarder, name = "Bram") => addPerson(t.larder, t.write(), name).id;
const copy = (t: TestLarder, edition = 2015) =>
  addGuide(t.larder, t.write(), { title: "Complete Guide", edition }).id;

/** One person types a row from a copy, on a device of their own. */
function compares(
  t: TestLarder,
  write: () => Who,
  guideId: string,
  other: Record<string, number | null> = {},
  device = `tablet of ${write().byId}`,
) {
  return onBehalfOf({ device, said: null, known: "chosen" }, () => {
    beginComparing(t.larder, write(), ROW);
    return recordComparison(t.larder, write(), {
      product: ROW,
      guideId,
      page: "5-6",
      typed: { ...publishedFigures(ROW), ...other },
    });
  });
}

async function photo(t: TestLarder, guideId: string): Promise<string> {
  const { default: sharp } = await import("sharp");
  const bytes = await sharp({ create: { width: 40, height: 60, channels: 3, background: "white" } })
    .png()
    .toBuffer();
  return keepPagePhoto(t.larder, t.write(), { guideId, product: ROW }, await preparePhoto(bytes, false)).id;
}

describe("a row compared with the household's own guide", () => {
  test("is confirmed, and the confirmation goes with every pack and run after it", () => {
    const t = testLarder();
    const before = packPints(t, 2);
    compares(t, t.write, copy(t));
    const pack = packPints(t, 2);
    const confirmation = {
      two: false,
      by: [{ name: t.write().byName, guide: "Complete Guide", edition: 2015, page: "5-6" }],
    };
    expect(getPack(t.larder, pack.id).schedule).toMatchObject({ minutes: 75, confirmation });
    expect(getPack(t.larder, before.id).schedule).not.toHaveProperty("confirmation");
    const run = openTestRun(t, [pack.id]);
    expect(getRun(t.larder, run.id).schedule.governing.each[0]).toMatchObject({ confirmation });
  });

  test("cannot be typed while its figures are in sight, and what was begun can be left", () => {
    const t = testLarder();
    const guideId = copy(t);
    const input = { product: ROW, guideId, page: "5-6", typed: publishedFigures(ROW) };
    expect(refusal(() => recordComparison(t.larder, t.write(), input))).toMatch(/must be hidden/);
    beginComparing(t.larder, t.write(), ROW);
    expect(comparingNow(t.larder, t.write().byId)).toBe(ROW);
    endComparing(t.larder, t.write());
    expect(comparingNow(t.larder, t.write().byId)).toBeNull();
    beginComparing(t.larder, t.write(), ROW);
    t.pass(121);
    expect(comparingNow(t.larder, t.write().byId)).toBeNull();
  });

  test("every figure has to be typed, with the page and a copy that is known", () => {
    const t = testLarder();
    const guideId = copy(t);
    beginComparing(t.larder, t.write(), ROW);
    const input = { product: ROW, guideId, page: "5-6", typed: publishedFigures(ROW) };
    const tried = (more: object) =>
      Object.keys(refusedFields(() => recordComparison(t.larder, t.write(), { ...input, ...more })));
    for (const { key } of figuresAsked(ROW)) {
      const { [key]: _, ...typed } = input.typed;
      expect(tried({ typed })).toEqual([key]);
    }
    expect(tried({ page: " " })).toEqual(["page"]);
    expect(tried({ guideId: "none" })).toEqual(["guideId"]);
  });

  test("more minutes are used at once, by packs that wait for the burner too", () => {
    const t = testLarder();
    const pack = packPints(t, 2);
    compares(t, t.write, copy(t), { pint: 80 });
    expect(getRun(t.larder, openTestRun(t, [pack.id]).id).schedule.governing.minutes).toBe(80);
  });

  test("fewer minutes stop the row: no pack, no load, until it is decided", async () => {
    const t = testLarder(folderOf());
    const waiting = packPints(t, 2);
    const guideId = copy(t);
    compares(t, t.write, guideId, { pint: 70 });
    expect(refusal(() => packPints(t, 2))).toMatch(/is stopped/);
    expect(refusal(() => openTestRun(t, [waiting.id]))).toMatch(/is stopped/);
    const decide = (kind: "keep" | "take", write = t.write) =>
      decideRow(t.larder, write(), { product: ROW, kind, reason: "read it twice" });
    expect(refusal(() => decide("take"))).toMatch(/One person typed it/);
    const bram = as(t, second(t));
    expect(refusal(() => decide("keep", bram as never))).toMatch(/Compare it with your copy yourself/);
    compares(t, bram, guideId, { pint: 70 });
    expect(refusal(() => decide("take"))).toMatch(/Keep a photo/);
    await photo(t, guideId);
    expect(
      refusedFields(() => decideRow(t.larder, t.write(), { product: ROW, kind: "take", reason: " " })),
    ).toHaveProperty("reason");
    expect(decide("take").state).toBe("confirmed");
    expect(getPack(t.larder, packPints(t, 2).id).schedule).toMatchObject({
      minutes: 70,
      confirmation: { two: true, own: ["Pints: 70 min (table: 75 min)"] },
    });
    expect(refusal(() => decide("keep"))).toMatch(/Nothing is left to decide/);
    t.larder.close();
  });

  test("a run under way keeps what it was started with", () => {
    const t = testLarder();
    const run = openTestRun(t, [packPints(t, 2).id]);
    compares(t, t.write, copy(t), { pint: 90 });
    runToTowel(t, run.id);
    expect(getRun(t.larder, run.id).schedule.governing.minutes).toBe(75);
  });

  test("two names on one screen are not two persons", () => {
    const t = testLarder();
    const guideId = copy(t);
    compares(t, t.write, guideId, {}, "tablet");
    compares(t, as(t, second(t)), guideId, {}, "tablet");
    expect(standingOf(t.larder, ROW)).toMatchObject({
      two: false,
      notTwo: expect.stringMatching(/same device/),
    });
  });

  test("a newer edition asks for it again", () => {
    const t = testLarder();
    compares(t, t.write, copy(t));
    expect(getHousehold(t.larder)!.rows[ROW]?.confirmation).toBeTruthy();
    expect(refusedFields(() => copy(t, 1890))).toHaveProperty("edition");
    copy(t, 2026);
    expect(listGuides(t.larder)).toHaveLength(2);
    expect(standingOf(t.larder, ROW).state).toBe("again");
    expect(getPack(t.larder, packPints(t, 2).id).schedule).not.toHaveProperty("confirmation");
  });

  test("nothing was compared: the rows are those of the tables", () => {
    expect(getHousehold(testLarder().larder)!.rows).toEqual(AS_PUBLISHED);
  });
});

function folderOf(): string {
  const folder = mkdtempSync(join(tmpdir(), "larder-"));
  folders.push(folder);
  return folder;
}

test("all of it is exported and comes back: copies, figures, decisions, photos, offices, and how people were known", async () => {
  const t = testLarder(folderOf());
  const guideId = copy(t);
  compares(t, t.write, guideId, { pint: 70 });
  compares(t, as(t, second(t)), guideId, { pint: 70 });
  const picture = await photo(t, guideId);
  decideRow(t.larder, t.write(), { product: ROW, kind: "take", reason: "read it twice" });
  addOffice(t.larder, t.write(), OFFICE);
  const out = folderOf();
  const path = join(out, "archive.zip");
  await writeArchive(t.larder, createWriteStream(path));
  const { folder } = await readArchive(path, out, t.larder.now);
  const back = openLarder(folder, t.larder.now);
  expect(standingOf(back, ROW)).toEqual(standingOf(t.larder, ROW));
  expect(getHousehold(back)!.rows[ROW]).toMatchObject({ figures: { pint: 70 }, confirmation: { two: true } });
  expect(listOffices(back)).toEqual(listOffices(t.larder));
  expect(pagePhotoFile(back, picture)).toEqual(pagePhotoFile(t.larder, picture));
  const known = (l: typeof back) =>
    l.sqlite.prepare("select action, known from audit where action = 'guide.compare'").all();
  expect(known(back)).toEqual([
    { action: "guide.compare", known: "chosen" },
    { action: "guide.compare", known: "chosen" },
  ]);
  expect(verifyLarder(back).broken).toEqual([]);
  back.close();
  t.larder.close();
});

test("how a person was known is in the chain: it cannot be changed or taken out unseen", () => {
  for (const to of ["'pin'", "null"]) {
    const t = testLarder();
    compares(t, t.write, copy(t));
    expect(verifyLarder(t.larder).broken).toEqual([]);
    t.larder.sqlite.exec("drop trigger audit_no_update");
    t.larder.sqlite.exec(`update audit set known = ${to} where action = 'guide.compare'`);
    expect(verifyLarder(t.larder).broken).not.toEqual([]);
  }
});

const OFFICE = {
  product: "can-fish",
  method: "raw",
  container: "can-half-pound",
  gauge: "weighted",
  altitudeM: 720,
  minutes: 95,
  pressurePsi: 15,
  office: "Valley office",
  givenOn: "2026-11-01",
  note: "fish packed solid",
  photoId: null,
} as const;

describe("an extension office's schedule", () => {
  const asked = {
    product: "can-fish",
    container: "can-half-pound",
    mouth: null,
    office: {
      office: "Valley office",
      givenOn: "2026-11-01",
      minutes: 95,
      pressurePsi: 15,
      gauge: "weighted",
    },
  } as const;
  test("is used only as it is kept, for a year, up to its altitude, until somebody ends it", () => {
    // The lot of the test larder is venison: the schedule is asked for before the food is.
    const t = testLarder();
    const why = () => refusedFields(() => packPints(t, 1, asked)).office;
    expect(why()).toMatch(/No such schedule is kept/);
    const { id } = addOffice(t.larder, t.write(), OFFICE);
    expect(why()).toBeUndefined();
    changeHousehold(t.larder, t.write(), { altitudeM: 900 });
    expect(why()).toMatch(/No such schedule/);
    changeHousehold(t.larder, t.write(), { altitudeM: 701 });
    expect(why()).toBeUndefined();
    endOffice(t.larder, t.write(), id);
    expect(why()).toMatch(/No such schedule/);
    addOffice(t.larder, t.write(), OFFICE);
    t.pass((347 * DAY_MS) / 60_000);
    expect(listOffices(t.larder)[0]).toMatchObject({ over: true, goodUntil: "2027-11-01" });
    expect(officesFor(t.larder, OFFICE, 701)).toEqual([]);
  });
  test("is refused where it cannot be right, at its field", () => {
    const t = testLarder();
    const tried = (more: object) =>
      refusedFields(() => addOffice(t.larder, t.write(), { ...OFFICE, ...more }));
    expect(tried({ givenOn: "2027-01-01" })).toHaveProperty("givenOn");
    expect(tried({ givenOn: "2025-01-01" }).givenOn).toMatch(/over a year ago/);
    expect(tried({ minutes: 60 }).container).toMatch(/never needs less/);
    expect(tried({ minutes: 95.5 }).minutes).toMatch(/whole minutes/);
    expect(tried({ product: "fish", container: "jar-pint" }).container).toMatch(/The tables cover this/);
    expect(listOffices(t.larder)).toEqual([]);
  });
});
