export { DAY_MS, HOUR_MS, MINUTE_MS } from "./time.ts";
export { formatDecimal, formatFraction, parseNumber, readNumber, type DecimalSign } from "./number.ts";
export {
  DEFAULT_UNIT,
  KG_PER_LB,
  L_PER_QT,
  MM_PER_IN,
  cFromF,
  inFromMm,
  mmFromIn,
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
export {
  likelyReading,
  parseQuantity,
  type LikelyReading,
  type NotParsed,
  type Parsed,
  type Writing,
} from "./parse.ts";
export {
  formatAltitude,
  formatLength,
  formatMass,
  formatMassShort,
  formatPressure,
  formatSpoons,
  formatTemperature,
  formatVolume,
  typedAltitude,
} from "./format.ts";
export { capital } from "./capital.ts";
export { countOf, formatClock, formatDuration } from "./duration.ts";
