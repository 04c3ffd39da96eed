import { shelve, takeOff } from "#store/shelf";
import { run, wholeRun } from "./runs.ts";
import type { Equipment } from "./shed.ts";
import { animal, lot, pack, check, type Teller } from "./teller.ts";

/** A boar and lake trout. Some of it is still on the shelf, past its best-by. */
export function twoSeasonsBack(t: Teller, { big, small, shelves }: Equipment): void {
  const { at } = t;
  const oldBoar = animal(t, at(760), {
    species: "wild-boar",
    place: "Hollin beeches",
    tag: "B-118",
    weightKg: 52,
    weightKind: "dressed",
  });
  const oldShoulder = lot(t, at(758), oldBoar, "Shoulder", 6.4, 4.6, { trimKg: 1.7 });
  const oldPints = pack(t, at(757, 9), oldShoulder, 9, 4.6);
  const oldRun = run(t, at(757), big, [oldPints], wholeRun(75, 12.5));
  const oldSealed = check(t, at(756, 12), oldRun);
  t.goTo(at(755));
  shelve(t.larder, t.write(), oldSealed, shelves[0]!);
  for (const [i, days] of [
    [0, 700],
    [1, 640],
    [2, 560],
    [3, 430],
    [4, 300],
    [5, 150],
  ] as const) {
    t.goTo(at(days));
    takeOff(t.larder, t.write(), oldSealed[i]!, "opened");
  }
  t.as("Piet");
  const oldTrout = animal(t, at(500), {
    species: "lake-trout",
    place: "Grey Tarn",
    count: 9,
    weightKg: 11.2,
    weightKind: "catch",
  });
  const oldFish = lot(t, at(499), oldTrout, "Middle sections", 5.8, 4, { form: "sections" });
  const oldFishRun = run(
    t,
    at(499, 12),
    small,
    [pack(t, at(499, 11), oldFish, 8, 4, { product: "fish", container: "jar-pint", saltTspEach: 1 })],
    wholeRun(100, 15, 16),
  );
  const oldFishSealed = check(t, at(498, 18), oldFishRun);
  t.goTo(at(497));
  shelve(t.larder, t.write(), oldFishSealed, shelves[2]!);
  for (const [i, days] of [
    [0, 420],
    [1, 380],
    [2, 290],
    [3, 200],
    [4, 120],
  ] as const) {
    t.goTo(at(days));
    takeOff(
      t.larder,
      t.write(),
      oldFishSealed[i]!,
      i === 3 ? "given" : "opened",
      i === 3 ? "the neighbors" : null,
    );
  }
}
