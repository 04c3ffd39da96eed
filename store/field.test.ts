import { existsSync, mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { describe, expect, test } from "vitest";
import sharp from "sharp";
import { Refused } from "#store/db";
import {
  addIndividual,
  addOwnSpecies,
  amendHarvest,
  discardFromHarvest,
  getHarvest,
  harvestByCode,
  holdHarvest,
  individualsOf,
  storePhoto,
  lossesOf,
  ownSpeciesKeys,
  pastHolds,
  photoFile,
  photosOf,
  preparePhoto,
  recordFirstHours,
  recordHarvest,
  releaseHold,
  removePhoto,
  sameTag,
  setShares,
  sharesOf,
} from "#store/harvest";
import { cutLot } from "#store/lot";
import { testLarder, TEST_START } from "#store/testing";

const HOUR = 3_600_000;
const day = (at: number) => new Date(at).toISOString().slice(0, 10);

async function refusal(work: () => unknown): Promise<Record<string, string>> {
  try {
    await work();
  } catch (error) {
    if (error instanceof Refused) return error.fields;
    throw error;
  }
  throw new Error("it was not refused");
}

describe("an animal's card", () => {
  test("what was missing is filled in; what it was before stays in the audit", () => {
    const t = testLarder();
    amendHarvest(
      t.larder,
      t.write(),
      t.harvestId,
      { place: "Alder Bottom", sex: "male", age: "2 years" },
      day,
      "us",
    );
    amendHarvest(t.larder, t.write(), t.harvestId, { place: "Alder Top" }, day, "us");
    expect(getHarvest(t.larder, t.harvestId)).toMatchObject({
      place: "Alder Top",
      sex: "male",
      weightKg: 40,
    });
    const trail = t.larder.sqlite
      .prepare("select detail from audit where action = 'harvest.amend' order by id desc limit 1")
      .get() as { detail: string };
    expect(JSON.parse(trail.detail)).toMatchObject({ before: { place: "Alder Bottom" } });
    const { code } = getHarvest(t.larder, t.harvestId);
    expect(harvestByCode(t.larder, code).id).toBe(t.harvestId);
  });
  test("it never weighs less than was cut from it, nor is it dated after its lots", async () => {
    const t = testLarder();
    expect(
      await refusal(() => amendHarvest(t.larder, t.write(), t.harvestId, { weightKg: 11 }, day, "metric")),
    ).toEqual({
      weight: expect.stringContaining("12.00 kg"),
    });
    t.pass(60 * 24 * 3);
    expect(
      await refusal(() =>
        amendHarvest(t.larder, t.write(), t.harvestId, { takenOn: "2026-11-21" }, day, "us"),
      ),
    ).toEqual({
      takenOn: expect.stringContaining("2026-11-20"),
    });
    expect(
      await refusal(() =>
        amendHarvest(t.larder, t.write(), t.harvestId, { takenOn: "2027-11-21" }, day, "us"),
      ),
    ).toEqual({
      takenOn: expect.stringContaining("in the future"),
    });
  });
  test("its first hours move the day it was taken, and must be in order and past", async () => {
    const t = testLarder();
    const killedAt = TEST_START - 30 * HOUR;
    recordFirstHours(
      t.larder,
      t.write(),
      t.harvestId,
      { killedAt, guttedAt: killedAt + HOUR, cooledAt: null },
      day,
    );
    expect(getHarvest(t.larder, t.harvestId)).toMatchObject({ killedAt, takenOn: "2026-11-19" });
    const hours = (over: object) => ({ killedAt, guttedAt: null, cooledAt: null, ...over });
    const wrong = (over: object) =>
      refusal(() => recordFirstHours(t.larder, t.write(), t.harvestId, hours(over), day));
    expect(Object.keys(await wrong({ guttedAt: killedAt - 1 }))).toEqual(["guttedAt"]);
    expect(Object.keys(await wrong({ cooledAt: TEST_START + HOUR }))).toEqual(["cooledAt"]);
    t.pass(60 * 48);
    expect(Object.keys(await wrong({ killedAt: TEST_START + 24 * HOUR }))).toEqual(["killedAt"]);
  });
  test("half of it is a friend's; more than the whole is nobody's", async () => {
    const t = testLarder();
    setShares(t.larder, t.write(), t.harvestId, [{ who: "Bram", fraction: 0.5 }]);
    expect(sharesOf(t.larder, t.harvestId)).toEqual([{ who: "Bram", fraction: 0.5 }]);
    for (const shares of [
      [
        { who: "Bram", fraction: 0.6 },
        { who: "Oda", fraction: 0.5 },
      ],
      [{ who: "Bram", fraction: 0 }],
    ])
      expect(await refusal(() => setShares(t.larder, t.write(), t.harvestId, shares))).toHaveProperty(
        "share",
      );
    expect(
      await refusal(() =>
        setShares(t.larder, t.write(), t.harvestId, [
          { who: "Bram", fraction: 0.2 },
          { who: "bram", fraction: 0.2 },
        ]),
      ),
    ).toHaveProperty("who");
    setShares(t.larder, t.write(), t.harvestId, []);
    expect(sharesOf(t.larder, t.harvestId)).toEqual([]);
  });
  test("fish of a catch one by one, no more than were counted", async () => {
    const t = testLarder();
    const { id } = recordHarvest(
      t.larder,
      t.write(),
      {
        species: "trout",
        takenOn: "2026-11-18",
        place: null,
        tag: null,
        count: 2,
        weightKg: 3,
        weightKind: "catch",
        note: null,
        holdFor: null,
      },
      "2026-11-20",
    );
    addIndividual(t.larder, t.write(), id, { weightKg: 1.4, lengthM: 0.5 });
    addIndividual(t.larder, t.write(), id, { weightKg: null, lengthM: 0.55 });
    expect(individualsOf(t.larder, id).map((i) => i.number)).toEqual([1, 2]);
    expect(
      await refusal(() => addIndividual(t.larder, t.write(), id, { weightKg: 1, lengthM: null })),
    ).toEqual({
      oneWeight: expect.stringContaining("All 2"),
    });
    expect(
      await refusal(() => addIndividual(t.larder, t.write(), id, { weightKg: null, lengthM: null })),
    ).toHaveProperty("oneWeight");
  });
  test("what is thrown out leaves the balance, and no more than there is", async () => {
    const t = testLarder();
    discardFromHarvest(
      t.larder,
      t.write(),
      { harvestId: t.harvestId, what: "shot-through shoulder", massKg: 3 },
      "metric",
    );
    expect(getHarvest(t.larder, t.harvestId)).toMatchObject({ lostKg: 3, cutKg: 12, leftKg: 25 });
    expect(lossesOf(t.larder, t.harvestId)).toMatchObject([{ what: "shot-through shoulder", massKg: 3 }]);
    expect(
      await refusal(() =>
        discardFromHarvest(
          t.larder,
          t.write(),
          { harvestId: t.harvestId, what: "rest", massKg: 26 },
          "metric",
        ),
      ),
    ).toEqual({ inKg: expect.stringContaining("25.00 kg") });
    expect(
      await refusal(() =>
        cutLot(
          t.larder,
          t.write(),
          {
            harvestId: t.harvestId,
            part: "Leg",
            form: "pieces",
            inKg: 26,
            outKg: 20,
            trimKg: null,
            kept: "fridge",
          },
          "metric",
        ),
      ),
    ).toHaveProperty("inKg");
  });
  test("a tag twice in a season is noticed, in another season or on itself it is not", () => {
    const t = testLarder();
    amendHarvest(t.larder, t.write(), t.harvestId, { tag: "B-204" }, day, "us");
    expect(sameTag(t.larder, " b-204 ", "2026-10-02")).toMatchObject({ takenOn: "2026-11-18" });
    expect(sameTag(t.larder, "B-204", "2025-10-02")).toBeNull();
    expect(sameTag(t.larder, "B-204", "2026-10-02", t.harvestId)).toBeNull();
  });
  test("who put it on hold, who lifted it, when and why stays to be read", () => {
    const t = testLarder();
    holdHarvest(t.larder, t.write(), t.harvestId, "trichinella test result", "test");
    const [hold] = getHarvest(t.larder, t.harvestId).holds;
    expect(hold).toMatchObject({ kind: "test", byName: "Ada" });
    t.pass(60);
    releaseHold(t.larder, t.write(), hold!.id, "negative");
    expect(getHarvest(t.larder, t.harvestId).holds).toEqual([]);
    expect(pastHolds(t.larder, { harvestId: t.harvestId })).toMatchObject([
      {
        condition: "trichinella test result",
        releasedBy: "Ada",
        reason: "negative",
        releasedAt: TEST_START + HOUR,
      },
    ]);
  });
});

describe("animals the household adds", () => {
  test("are kept by name and likeness, once, and can be taken", async () => {
    const t = testLarder();
    const { key } = addOwnSpecies(t.larder, t.write(), { likeKey: "wild-sheep", name: "Barbary sheep" });
    expect(ownSpeciesKeys(t.larder)).toEqual([key]);
    expect(
      await refusal(() =>
        addOwnSpecies(t.larder, t.write(), { likeKey: "wild-sheep", name: "barbary SHEEP" }),
      ),
    ).toHaveProperty("ownName");
    expect(
      await refusal(() => addOwnSpecies(t.larder, t.write(), { likeKey: "griffin", name: "Griffin" })),
    ).toHaveProperty("like");
    expect(
      await refusal(() => addOwnSpecies(t.larder, t.write(), { likeKey: key, name: "Odder sheep" })),
    ).toHaveProperty("like");
  });
});

describe("photos", () => {
  const picture = (width = 2400, height = 1200) =>
    sharp({ create: { width, height, channels: 3, background: "#a55" } });
  const folder = () => mkdtempSync(join(tmpdir(), "larder-"));

  test("lie beside the database, upright and no longer than 1,600 pixels, as JPEG whatever came", async () => {
    const t = testLarder(folder());
    // Orientation 6: the camera was held on its side.
    const sideways = await picture()
      .withExif({ IFD0: { Orientation: "6" } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    const { id } = storePhoto(t.larder, t.write(), t.harvestId, await preparePhoto(sideways, false), false);
    expect(photosOf(t.larder, t.harvestId)).toMatchObject([
      { id, width: 800, height: 1600, keepsPlace: false },
    ]);
    expect(existsSync(join(t.larder.folder, "photos", `${id}.jpg`))).toBe(true);
    const png = await preparePhoto(await picture(300, 200).png().toBuffer(), false);
    expect((await sharp(png.data).metadata()).format).toBe("jpeg");
    expect(png).toMatchObject({ width: 300, height: 200 });
  });
  test("say nothing of where they were taken, unless the user keeps it", async () => {
    const where = await picture(200, 100)
      .withExif({ IFD0: { Make: "Box" }, IFD3: { GPSLatitudeRef: "N", GPSLatitude: "51/1 30/1 3230/100" } })
      .jpeg()
      .toBuffer();
    const exifOf = async (keep: boolean) =>
      (await sharp((await preparePhoto(where, keep)).data).metadata()).exif?.toString("latin1") ?? "";
    expect((await sharp(where).metadata()).exif?.toString("latin1")).toContain("Box");
    expect(await exifOf(false)).toBe("");
    expect(await exifOf(true)).toContain("Box");
  });
  test("what is no picture is refused by its bytes, whatever its name says", async () => {
    expect(await refusal(() => preparePhoto(Buffer.from("%PDF-1.7 not a photo"), false))).toHaveProperty(
      "photo",
    );
    expect(
      await refusal(() => preparePhoto(Buffer.from("<svg xmlns='http://www.w3.org/2000/svg'/>"), false)),
    ).toHaveProperty("photo");
    expect(await refusal(() => preparePhoto(new Uint8Array(12_000_001), false))).toEqual({
      photo: expect.stringContaining("12 MB"),
    });
    const cutShort = (await picture().jpeg().toBuffer()).subarray(0, 900);
    expect(await refusal(() => preparePhoto(cutShort, false))).toHaveProperty("photo");
  });
  test("a dozen an animal; one taken off the card is not shown again", async () => {
    const t = testLarder(folder());
    const ready = await preparePhoto(await picture(60, 40).jpeg().toBuffer(), false);
    for (let i = 0; i < 12; i++) storePhoto(t.larder, t.write(), t.harvestId, ready, false);
    expect(await refusal(() => storePhoto(t.larder, t.write(), t.harvestId, ready, false))).toHaveProperty(
      "photo",
    );
    const [first] = photosOf(t.larder, t.harvestId);
    expect(photoFile(t.larder, first!.id).length).toBe(ready.data.length);
    removePhoto(t.larder, t.write(), first!.id);
    expect(photosOf(t.larder, t.harvestId)).toHaveLength(11);
    expect(() => photoFile(t.larder, first!.id)).toThrow(Refused);
  });
});
