/** Label material as it is sold, by its measures. Lengths mm. */
export interface LabelStock {
  key: string;
  /** what it comes on, or the whole of it where that is no grid: its size is said by the household's units */
  name: string;
  /** several on a sheet, one by one off a roll, round for lids, or long to go round a can */
  form: "sheet" | "single" | "disc" | "wrap";
  page: { width: number; height: number };
  label: { width: number; height: number };
  columns: number;
  rows: number;
  /** left and upper edge of the first label */
  left: number;
  top: number;
  /** from one label's edge to the same edge of the next */
  pitchX: number;
  pitchY: number;
}

const A4 = { width: 210, height: 297 };
const A4_ACROSS = { width: 297, height: 210 };
const LETTER = { width: 215.9, height: 279.4 };

type Grid = Pick<LabelStock, "columns" | "rows"> & {
  pitchX?: number;
  pitchY?: number;
  left?: number;
  top?: number;
};

/** Labels in a grid; where it begins is worked out from the page when it is not given. */
function onPage(
  key: string,
  name: string,
  form: LabelStock["form"],
  page: LabelStock["page"],
  label: LabelStock["label"],
  grid: Grid,
): LabelStock {
  const { columns, rows, pitchX = label.width, pitchY = label.height } = grid;
  const wide = (columns - 1) * pitchX + label.width;
  const high = (rows - 1) * pitchY + label.height;
  const { left = (page.width - wide) / 2, top = (page.height - high) / 2 } = grid;
  return { key, name, form, page, label, columns, rows, left, top, pitchX, pitchY };
}

const single = (width: number, height: number) =>
  onPage(
    `single-${width}x${height}`,
    "Roll",
    "single",
    { width, height },
    { width, height },
    { columns: 1, rows: 1 },
  );

/** Half an inch or so of a can's height is seam and bead; a wrap leaves it free. Lengths mm; typical, from memory. */
const WRAP_FREE = 11;
/** What a wrap laps over itself, mm. */
const LAP = 8;
const wrap = (key: string, name: string, diameterMm: number, heightMm: number, rows: number) =>
  onPage(
    key,
    name,
    "wrap",
    A4_ACROSS,
    { width: Math.round(Math.PI * diameterMm + LAP), height: Math.floor(heightMm - WRAP_FREE) },
    { columns: 1, rows },
  );

/** Common sizes of sheets, rolls, lid discs and can wraps. Sizes as sold, common practice; measure your own sheet before a box of it is used. */
export const STOCKS: readonly LabelStock[] = [
  onPage(
    "letter-30",
    "Letter sheet",
    "sheet",
    LETTER,
    { width: 66.7, height: 25.4 },
    { columns: 3, rows: 10, pitchX: 69.85 },
  ),
  onPage(
    "letter-10",
    "Letter sheet",
    "sheet",
    LETTER,
    { width: 101.6, height: 50.8 },
    { columns: 2, rows: 5, pitchX: 106.4 },
  ),
  onPage(
    "a4-8",
    "A4 sheet",
    "sheet",
    A4,
    { width: 99.1, height: 67.7 },
    { columns: 2, rows: 4, pitchX: 101.6 },
  ),
  onPage("a4-24", "A4 sheet", "sheet", A4, { width: 70, height: 37 }, { columns: 3, rows: 8 }),
  onPage(
    "a4-21",
    "A4 sheet",
    "sheet",
    A4,
    { width: 63.5, height: 38.1 },
    { columns: 3, rows: 7, pitchX: 66 },
  ),
  onPage(
    "a4-65",
    "A4 sheet",
    "sheet",
    A4,
    { width: 38.1, height: 21.2 },
    { columns: 5, rows: 13, pitchX: 40.6 },
  ),
  onPage(
    "letter-disc-12",
    "Letter sheet",
    "disc",
    LETTER,
    { width: 63.5, height: 63.5 },
    { columns: 3, rows: 4, pitchX: 66.7, pitchY: 66.7 },
  ),
  onPage(
    "a4-disc-12",
    "A4 sheet",
    "disc",
    A4,
    { width: 60, height: 60 },
    { columns: 3, rows: 4, pitchX: 66, pitchY: 69 },
  ),
  onPage(
    "a4-disc-15",
    "A4 sheet",
    "disc",
    A4,
    { width: 51, height: 51 },
    { columns: 3, rows: 5, pitchX: 62, pitchY: 56 },
  ),
  single(57, 32),
  single(62, 29),
  single(51, 25),
  single(102, 51),
  wrap("wrap-half-pound", "A4 sheet, 4 wraps for half-pound cans", 87.3, 51.2, 4),
  wrap("wrap-one-pound", "A4 sheet, 1 wrap for a one-pound can", 77.8, 114.3, 1),
];

/** Returns label material by its key; undefined when there is none of that name. */
export function stockOf(key: string): LabelStock | undefined {
  return STOCKS.find((s) => s.key === key);
}
