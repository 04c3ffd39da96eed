export { HeatScale, HeatSection } from "./section-heat";
export { useBand, useSection, type Drawing, type Section } from "./use-heat";
