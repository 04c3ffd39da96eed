export { useInstrument, type InstrumentShows } from "./use-instrument";
