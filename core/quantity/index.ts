export { formatDecimal, formatFraction, parseNumber } from "./number.ts";
export {
  DEFAULT_UNIT,
  UNITS,
  fFromC,
  fromSi,
  ftFromM,
  kPaFromPsi,
  mFromFt,
  psiFromKPa,
  toSi,
  unitBySymbol,
  type Dimension,
  type Unit,
  type UnitSystem,
} from "./unit.ts";
export { likelyReading, parseQuantity, type LikelyReading, type NotParsed, type Parsed } from "./parse.ts";
export {
  formatAltitude,
  formatLength,
  formatMass,
  formatMassShort,
  formatPressure,
  formatSpoons,
  formatTemperature,
  formatVolume,
} from "./format.ts";
export { countOf, formatClock, formatDuration } from "./duration.ts";
