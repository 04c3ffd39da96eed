import { describe, expect, test } from "vitest";
import { beforeShelfWords, checkWords, lidsOrEnds } from "./container";
import { kPaFromPsi } from "#core/quantity";
import type { Shelved } from "#store/shelf";
import { codesIn } from "./codes";
import { handWords, labelText } from "./label";
import { foodWords } from "./load";
import { PRICE_WORDS, priceShown, pricesKept } from "./price";
import { ageWords, oneWords, storageEventWords } from "./shelf";

const DAY = 86_400_000;
const jar = {
  code: "7K4-R",
  kind: "jar-pint",
  mouth: "wide",
  product: "red-meat-pieces",
  species: ["wild-boar"],
  part: "Shoulder",
  method: "raw",
  cannedAt: Date.UTC(2026, 10, 20, 15),
  bestBy: Date.UTC(2027, 10, 20, 15),
  minutes: 75,
  floorKPa: kPaFromPsi(13),
  lotCodes: ["2PM-G", "4NP-U"],
  runCode: "AWD-6",
  dish: null,
  deviations: [] as string[],
} as unknown as Shelved;

describe("labels", () => {
  test("say what, when, how long at how much, from which lots, in the household's units", () =>
    expect(labelText(jar, "us", { zone: "UTC", dates: "metric", hours: 24 })).toEqual({
      code: "7K4-R",
      contents: "Wild boar, shoulder",
      packed: "wide-mouth pint, raw pack",
      canned: "Canned 20 Nov 2026",
      bestBy: "Best by 20 Nov 2027",
      process: "75 min at 13 lb",
      lot: "Lot 2PM-G, 4NP-U · run AWD-6",
      care: "",
    }));
  test("in kPa, on the day where the household lives, and with what was signed for", () => {
    const late = { ...jar, cannedAt: Date.UTC(2026, 10, 21, 3), deviations: ["a reused lid"] };
    const text = labelText(late, "metric", { zone: "America/Denver", dates: "metric", hours: 24 });
    expect(text.process).toBe("75 min at 90 kPa");
    expect(text.canned).toBe("Canned 20 Nov 2026");
    expect(text.care).toMatch(/Exception/);
  });
  test("a dish by its name, and minutes that were added by choice apart from the scheduled ones", () => {
    const text = labelText(
      { ...jar, dish: "Boar chili" },
      "us",
      { zone: "UTC", dates: "metric", hours: 24 },
      5,
    );
    expect(text).toMatchObject({ contents: "Boar chili", process: "75 + 5 min at 13 lb" });
    expect(
      handWords({ ...jar, dish: "Boar chili" }, "us", { zone: "UTC", dates: "metric", hours: 24 }, 5),
    ).toEqual(expect.arrayContaining(["BOAR CHILI", "75 + 5 MIN 13 LB"]));
  });
  test("by hand: capitals, the code last and alone", () =>
    expect(handWords(jar, "us", { zone: "UTC", dates: "metric", hours: 24 })).toEqual([
      "WILD BOAR, SHOULDER",
      "20 NOV 2026",
      "75 MIN 13 LB",
      "LOT 2PM-G 4NP-U",
      "7K4-R",
    ]));
});

describe("what is in it", () => {
  test.each([
    ["red-meat-pieces", ["wild-boar"], "wild boar"],
    ["broth", ["pronghorn"], "pronghorn broth"],
    ["red-meat-ground", ["wild-boar", "pronghorn"], "ground wild boar and pronghorn"],
    ["fish-smoked", ["lake-trout"], "smoked lake trout"],
    ["stewed-meat", ["wild-boar"], "wild boar stew"],
  ] as const)("%s of %j", (product, species, words) => expect(foodWords(product, species)).toBe(words));
  test("a part says nothing of a broth", () => {
    expect(oneWords(jar)).toBe("wide-mouth pint of wild boar, shoulder");
    expect(oneWords({ ...jar, product: "broth", part: "Bones" })).toBe("wide-mouth pint of wild boar broth");
  });
});

test.each([
  [0, "0 days"],
  [DAY, "1 day"],
  [13 * DAY, "13 days"],
  [45 * DAY, "6 weeks"],
  [200 * DAY, "6 months"],
  [365 * DAY, "11 months"],
  [800 * DAY, "2 years"],
])("%d ms old", (ms, words) => expect(ageWords(ms)).toBe(words));

test("a frost says what it did and what to press; a heat says what it may have done", () => {
  const now = Date.UTC(2027, 0, 12, 12);
  const frost = { kind: "frozen" as const, from: now - 2 * DAY, to: now - DAY, until: now - DAY, worstC: -5 };
  expect(
    storageEventWords(frost, "Shed", "us", now, { zone: "UTC", dates: "metric", hours: 24 }, ["jar-pint"]),
  ).toMatch(/^Shed froze \(23 °F\) from .* to .*check each lid, and throw out what moves/);
  const heat = { kind: "hot" as const, from: now - 3_600_000, to: null, until: now, worstC: 38 };
  expect(storageEventWords(heat, "Loft", "metric", now, { zone: "UTC", dates: "metric", hours: 24 })).toMatch(
    /^Loft was hot \(38 °C\) since 11:00\. Above 35 °C/,
  );
});

describe("prices", () => {
  test("by the pound are kept by the kilogram, and shown by the pound again", () => {
    const kept = pricesKept({ "worth-kg": 10, lid: 0.35 }, "us");
    // A pound is 0.45359237 kg by definition.
    expect(kept["worth-kg"]).toBeCloseTo(10 / 0.45359237, 9);
    expect(kept.lid).toBe(0.35);
    expect(priceShown("worth-kg", kept, "us")).toBe("10");
    expect(priceShown("worth-kg", kept, "metric")).toBe("22.046");
    expect(priceShown("jar", kept, "us")).toBe("");
  });
  test("are asked for by the household's own weight", () => {
    expect(PRICE_WORDS["meat-kg"]("us").label).toBe("A lb of meat, bought");
    expect(PRICE_WORDS["meat-kg"]("metric").label).toBe("A kg of meat, bought");
  });
});

test("codes read off a shelf may be set apart by anything", () =>
  expect(codesIn(" 7K4-R, 2pm-g;\n\n4NP-U\tAWD-6 ")).toEqual(["7K4-R", "2pm-g", "4NP-U", "AWD-6"]));

test("of cans alone nobody is told of lids, bands or jars, and of jars nobody of ends", () => {
  for (const words of [lidsOrEnds, checkWords, beforeShelfWords]) {
    expect(words(["can-half-pound", "can-one-pound"])).not.toMatch(/\b(lid|band|jar)/i);
    expect(words(["jar-pint", "jar-quart"])).not.toMatch(/\b(end|can)s?\b/i);
  }
  expect(beforeShelfWords(["jar-pint", "can-half-pound"])).toMatch(/bands off jars.*wipe cans dry/);
});
