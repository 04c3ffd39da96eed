import { CAN_BAND, bandFor, type AltitudeBand } from "./pressure.ts";
import { publishedFigures, type FigureKey, type RowFigures } from "./figures.ts";
import { AS_PUBLISHED, type HouseholdRows } from "./household.ts";
import { CAN_ROWS, JAR_ROWS, type CanRow, type JarRow, type PackMethod, type ProductKey } from "./table.ts";

type Columns = Pick<AltitudeBand, "dialPsi" | "weightedPsi">;

/** A row of the tables as a household uses it: by its own guide where that was compared. */
export interface RowInForce {
  /** why there is none until somebody decides; null when there is one */
  stopped: string | null;
  figures: RowFigures;
  packs: readonly PackMethod[];
  /** inches from the rim */
  headspaceIn: number;
  ventMinutes: number;
}

/** Minutes by size; null where there is no time, `as-pint` where the pint's is taken. */
export interface JarRowInForce extends RowInForce {
  row: JarRow;
  halfPintMinutes: number | "as-pint" | null;
  pintMinutes: number | null;
  quartMinutes: number | null;
}

export interface CanRowInForce extends RowInForce {
  row: CanRow;
  halfPoundMinutes: number | null;
  onePoundMinutes: number | null;
}

function common(product: ProductKey, rows: HouseholdRows): RowInForce {
  const home = rows[product];
  const figures = home?.figures ?? publishedFigures(product);
  return {
    stopped: home?.stopped ?? null,
    figures,
    packs: (["raw", "hot"] as const).filter((pack) => figures[pack] === 1),
    headspaceIn: figures.headspace!,
    ventMinutes: figures.vent!,
  };
}

/**
 * Returns a row for jars as a household uses it; undefined when the product has none.
 *
 * @param rows what the household compared; the tables' own figures where it did not
 */
export function jarRowInForce(
  product: ProductKey,
  rows: HouseholdRows = AS_PUBLISHED,
): JarRowInForce | undefined {
  const row = JAR_ROWS.find((r) => r.key === product);
  if (!row) return undefined;
  const base = common(product, rows);
  const is = (key: FigureKey) => base.figures[key] ?? null;
  return {
    ...base,
    row,
    halfPintMinutes: is("half-pint") ?? (row.halfPintMinutes === "as-pint" ? "as-pint" : null),
    pintMinutes: is("pint"),
    quartMinutes: is("quart"),
  };
}

/** Returns a row for cans as a household uses it; undefined when the product has none. See `jarRowInForce`. */
export function canRowInForce(
  product: ProductKey,
  rows: HouseholdRows = AS_PUBLISHED,
): CanRowInForce | undefined {
  const row = CAN_ROWS.find((r) => r.key === product);
  if (!row) return undefined;
  const base = common(product, rows);
  const is = (key: FigureKey) => base.figures[key] ?? null;
  return { ...base, row, halfPoundMinutes: is("half-pound"), onePoundMinutes: is("one-pound") };
}

/**
 * Returns the pressures of a row at an altitude, psi, for both gauges; null where the row has none.
 *
 * @param altitudeM meters above sea level
 */
export function columnsInForce({ figures }: RowInForce, altitudeM: number): Columns {
  const { toFt } = bandFor(altitudeM);
  const is = (key: string) => figures[key as FigureKey] ?? null;
  const weighted = toFt <= CAN_BAND.toFt ? is("weighted-1000") : is("weighted-above");
  return {
    dialPsi: toFt === Infinity ? null : is(`dial-${toFt}`),
    // Every column of the tables has a weighted figure; a household's copy may have none.
    weightedPsi: weighted as number,
  };
}
