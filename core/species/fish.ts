import type { Caution } from "./caution.ts";
import { BUILDS, type Build } from "./kind.ts";
import type { Species } from "./species.ts";

type Row = [
  key: string,
  name: string,
  plural: string,
  maxKg: number,
  water: number,
  protein: number,
  fat: number,
  ash: number,
  named?: boolean,
  cautions?: readonly Caution[],
  build?: Build,
];

/** Composition: raw flesh, from memory of public food composition tables; near kin share a row where none is known. */
const ROWS: readonly Row[] = [
  ["lake-trout", "Lake trout", "lake trout", 30, 71.5, 20.5, 7.0, 1.2, true],
  ["trout", "Trout", "trout", 15, 71.9, 20.5, 5.5, 1.2, true],
  ["steelhead", "Steelhead", "steelhead", 18, 71.9, 20.5, 5.5, 1.2, true],
  ["salmon", "Salmon", "salmon", 45, 70.5, 20.5, 7.5, 1.4, true, ["struvite"]],
  ["king-salmon", "King (Chinook) salmon", "king salmon", 57, 71.6, 19.9, 10.4, 1.3, true, ["struvite"]],
  ["sockeye-salmon", "Red (sockeye) salmon", "sockeye salmon", 7, 70.2, 21.3, 8.6, 1.2, true, ["struvite"]],
  ["silver-salmon", "Silver (coho) salmon", "silver salmon", 15, 72.7, 21.6, 5.9, 1.2, true, ["struvite"]],
  ["pink-salmon", "Pink (humpback) salmon", "pink salmon", 6, 76.4, 19.9, 3.5, 1.2, true, ["struvite"]],
  ["chum-salmon", "Chum (dog, keta) salmon", "chum salmon", 16, 75.4, 20.1, 3.8, 1.2, true, ["struvite"]],
  ["atlantic-salmon", "Atlantic salmon", "Atlantic salmon", 40, 68.5, 19.8, 6.3, 2.5, true, ["struvite"]],
  ["kokanee", "Kokanee", "kokanee", 4, 72.7, 21.3, 5.6, 1.2, true, ["struvite"]],
  ["rainbow-trout", "Rainbow trout", "rainbow trout", 15, 71.9, 20.5, 3.5, 1.3, true],
  ["brown-trout", "Brown trout", "brown trout", 18, 71.9, 20.5, 5.5, 1.2, true],
  ["cutthroat-trout", "Cutthroat trout", "cutthroat trout", 15, 74.0, 20.5, 3.5, 1.2, true],
  ["brook-trout", "Brook trout", "brook trout", 6, 76.0, 20.0, 2.7, 1.2, true],
  ["dolly-varden", "Dolly Varden", "Dolly Varden", 9, 73.0, 20.0, 6.5, 1.2],
  ["char", "Arctic char", "char", 12, 71.5, 20.0, 7.0, 1.3],
  ["grayling", "Grayling", "grayling", 2.5, 77.0, 19.5, 2.0, 1.2],
  ["whitefish", "Whitefish", "whitefish", 9, 72.8, 19.1, 5.9, 1.1, true],
  ["lake-whitefish", "Lake whitefish", "lake whitefish", 9, 72.8, 19.1, 5.9, 1.1, true],
  ["mountain-whitefish", "Mountain whitefish", "mountain whitefish", 2.5, 76.0, 19.5, 3.0, 1.2, true],
  ["sheefish", "Sheefish (inconnu)", "sheefish", 25, 72.0, 19.0, 7.0, 1.1],
  ["cisco", "Cisco", "ciscoes", 2, 78.9, 19.0, 1.9, 1.2],
  ["mackerel", "Mackerel", "mackerel", 4, 63.6, 18.6, 13.9, 1.4, true, ["histamine"]],
  ["pike", "Pike", "pike", 25, 78.9, 19.3, 0.7, 1.2, false, ["tapeworm"]],
  ["muskellunge", "Muskellunge", "muskellunge", 30, 78.9, 19.3, 0.8, 1.2, false, ["tapeworm"]],
  ["walleye", "Walleye", "walleye", 9, 79.3, 19.1, 1.2, 1.2, false, ["tapeworm"]],
  ["zander", "Zander", "zander", 14, 79.0, 19.2, 0.9, 1.2, false, ["tapeworm"]],
  ["perch", "Perch", "perch", 4, 79.1, 19.4, 0.9, 1.2, false, ["tapeworm"]],
  ["bass", "Black bass", "bass", 10, 75.7, 18.9, 3.7, 1.1],
  ["striped-bass", "Striped bass", "striped bass", 35, 79.2, 17.7, 2.3, 1.0],
  ["sunfish", "Sunfish", "sunfish", 1.5, 79.5, 19.4, 0.7, 1.1],
  ["crappie", "Crappie", "crappie", 2, 79.5, 18.5, 1.0, 1.1],
  ["catfish", "Catfish", "catfish", 45, 80.4, 16.4, 2.8, 1.0],
  ["bullhead", "Bullhead", "bullheads", 2.5, 80.5, 16.5, 2.3, 1.0],
  ["burbot", "Burbot", "burbot", 10, 79.3, 19.3, 0.8, 1.2, false, ["tapeworm"]],
  ["carp", "Carp", "carp", 40, 76.3, 17.8, 5.6, 1.5],
  ["bream", "Bream", "bream", 6, 77.5, 18.0, 3.5, 1.2],
  ["sucker", "Sucker", "suckers", 5, 79.7, 16.8, 2.3, 1.1],
  ["sturgeon", "Sturgeon", "sturgeon", 150, 76.6, 16.1, 4.0, 1.1],
  ["eel", "Eel", "eels", 5, 68.3, 18.4, 11.7, 1.4, false, ["fatty"]],
  ["shad", "Shad", "shad", 5, 68.2, 16.9, 13.8, 1.3],
  ["herring", "Herring", "herring", 1, 72.1, 18.0, 9.0, 1.5, false, ["histamine"]],
  ["smelt", "Smelt", "smelt", 0.3, 78.8, 17.6, 2.4, 1.2],
  ["drum", "Drum", "drum", 25, 77.3, 17.5, 4.9, 1.1],
  ["mullet", "Mullet", "mullet", 6, 77.0, 19.4, 3.8, 1.2],
  ["bluefish", "Bluefish", "bluefish", 12, 70.9, 20.0, 4.2, 1.1, false, ["histamine"]],
  ["kingfish", "Kingfish or yellowtail", "kingfish", 50, 74.5, 23.1, 5.2, 1.1, false, ["histamine"]],
  ["kahawai", "Kahawai", "kahawai", 8, 73.0, 22.5, 3.0, 1.3, false, ["histamine"]],
  ["snapper", "Snapper", "snapper", 15, 76.9, 20.5, 1.3, 1.3],
  ["cod", "Cod", "cod", 40, 81.2, 17.8, 0.7, 1.2],
  ["haddock", "Haddock", "haddock", 10, 80.5, 18.0, 0.7, 1.2],
  ["pollock", "Pollock or saithe", "pollock", 20, 78.2, 19.4, 1.0, 1.4],
  ["lingcod", "Lingcod", "lingcod", 40, 81.0, 17.7, 1.1, 1.2],
  ["rockfish", "Rockfish", "rockfish", 10, 79.3, 18.8, 1.6, 1.2],
  ["flounder", "Flounder", "flounder", 10, 84.0, 12.4, 1.9, 1.3, false, [], "flatfish"],
  ["halibut", "Halibut", "halibut", 250, 80.3, 18.6, 1.3, 1.4, true, ["halibut-bones"], "flatfish"],
];

const TUNA: readonly Row[] = [
  ["tuna", "Tuna", "tuna", 400, 70.6, 23.3, 4.0, 1.3, true, ["struvite", "histamine"], "tuna"],
  ["albacore", "Albacore", "albacore", 60, 68.0, 24.5, 6.0, 1.4, true, ["struvite", "histamine"], "tuna"],
];

const fish = (
  group: "fish" | "tuna",
  [key, name, plural, likelyMaxKg, water, protein, fat, ash, named, cautions = [], build = "fish"]: Row,
): Species => ({
  key,
  name,
  plural,
  group,
  named: named ?? false,
  taken: "catch",
  likelyMaxKg,
  cautions: ["fish-advisory", ...cautions],
  yields: BUILDS[build],
  composition: { water, protein, fat, ash },
});

export const FISH: readonly Species[] = [
  ...ROWS.map((row) => fish("fish", row)),
  ...TUNA.map((row) => fish("tuna", row)),
];
