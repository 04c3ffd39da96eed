import type { CheckKey, EquipmentKind } from "#core/check";
import { kPaFromPsi } from "#core/quantity";
import { addTool, recordCheck } from "#store/check";
import { addCanner, measureCanner, recordGaugeCheck } from "#store/equipment";
import { saveRecipe } from "#store/recipe";
import { addPlace } from "#store/shelf";
import { addSupply, type SupplyInput } from "#store/supply";
import type { Teller } from "./teller.ts";

/** What the household works with, by the ids it got. */
export interface Equipment {
  big: string;
  small: string;
  /** the top and the middle shelf of the cellar, and the box under the stairs */
  shelves: readonly string[];
}

/** The canners, everything else in the Shed, and the shelves. Returns their ids. */
export function furnishShed(t: Teller): Equipment {
  const { at } = t;
  t.goTo(at(790));
  const big = addCanner(t.larder, t.write(), {
    name: "Big canner",
    quarts: 21,
    hasDial: true,
    weightPiecesPsi: [],
    safeMaxKPa: kPaFromPsi(20),
  }).id;
  const small = addCanner(t.larder, t.write(), {
    name: "Small canner",
    quarts: 16,
    hasDial: false,
    weightPiecesPsi: [5, 5, 5],
    safeMaxKPa: kPaFromPsi(20),
  }).id;
  furnish(t, { big, small });
  gaugeTest(t, big, 785, 0.5);
  const shelves = (
    [
      ["Cellar", "Top shelf", "shelf", 24],
      ["Cellar", "Middle shelf", "shelf", 20],
      ["Stair cupboard", "Left", "box", 12],
    ] as const
  ).map(([room, name, kind, capacity]) => {
    t.goTo(at(784));
    return addPlace(t.larder, t.write(), { room, name, kind, capacity }).id;
  });
  return { big, small, shelves };
}

/** A test of the big canner's dial. @param psi how much too high it reads, lb */
export function gaugeTest(t: Teller, cannerId: string, days: number, psi: number): void {
  const at = t.at(days);
  t.goTo(at);
  recordGaugeCheck(t.larder, t.write(), { cannerId, at, errorKPa: kPaFromPsi(psi), note: null });
}

/** What stands in the Shed beside the canners: measured, looked over, and counted by box and lot. */
function furnish(t: Teller, { big, small }: Pick<Equipment, "big" | "small">): void {
  const { at } = t;
  measureCanner(t.larder, t.write(), big, {
    insideDiameterMm: 311,
    usableHeightMm: 264,
    racks: 2,
    rackHeightMm: 5,
    waterLitres: 2.8,
    waterDepthMm: null,
    minLoad: 2,
    aluminium: 1,
    manual: { "jar-quart": 7, "jar-pint": 18 },
    depressuriseMin: 45,
  });
  const burner = addTool(t.larder, t.write(), {
    kind: "burner",
    name: "Yard burner",
    powerW: 4400,
    lowestKPa: kPaFromPsi(9),
    outdoors: 1,
    induction: 0,
    note: null,
  }).id;
  const plainTool = { powerW: null, lowestKPa: null, outdoors: 0, induction: 0 };
  addTool(t.larder, t.write(), {
    ...plainTool,
    kind: "sealer",
    name: "Hand sealer",
    note: "set for half-pound cans",
  });
  addTool(t.larder, t.write(), { ...plainTool, kind: "thermometer", name: "Needle probe", note: null });
  const supply = (input: Omit<SupplyInput, "container" | "mouth"> & Partial<SupplyInput>) =>
    addSupply(t.larder, t.write(), { container: null, mouth: null, ...input });
  supply({ kind: "jar", container: "jar-pint", mouth: "regular", label: "cellar crates", count: 64 });
  supply({ kind: "jar", container: "jar-pint", mouth: "wide", label: "cellar crates", count: 18 });
  supply({ kind: "jar", container: "jar-quart", mouth: "wide", label: "cellar crates", count: 24 });
  supply({
    kind: "jar",
    container: "jar-half-pint",
    mouth: "regular",
    label: "top of the dresser",
    count: 20,
  });
  supply({ kind: "lid", mouth: "regular", label: "box 1", count: 48 });
  supply({ kind: "lid", mouth: "wide", label: "box 2", count: 24 });
  supply({ kind: "can", container: "can-half-pound", label: "lot 0914", count: 48 });
  supply({ kind: "end", container: "can-half-pound", label: "lot 0914", count: 50 });
  t.goTo(at(60));
  supply({ kind: "lid", mouth: "regular", label: "box 3", count: 24 });
  supply({ kind: "lid", mouth: "wide", label: "box 4", count: 12 });
  const look = (days: number, id: string, kind: EquipmentKind, items: readonly CheckKey[]) => {
    t.goTo(at(days));
    for (const item of items)
      recordCheck(t.larder, t.write(), { equipmentId: id, kind, item, finding: "sound", note: null });
  };
  look(420, small, "canner", ["gasket", "plug", "base"]);
  look(55, big, "canner", ["gasket", "vent", "plug", "lock", "rack", "base"]);
  look(55, burner, "burner", ["flame", "shelter"]);
  t.goTo(at(30));
  saveRecipe(t.larder, t.write(), {
    name: "Boar stew",
    dish: "stew",
    ingredients: [
      { name: "Boar, cubed", amount: 2.7, role: null },
      { name: "Carrots", amount: 0.9, role: null },
      { name: "Potatoes", amount: 0.9, role: null },
      { name: "Broth", amount: 2.8, role: null },
      { name: "Salt, thyme and juniper", amount: 0, role: null },
    ],
  });
}
