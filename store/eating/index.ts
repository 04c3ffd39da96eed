export { lastOpening, recordOpening, type OpeningInput } from "./opening.ts";
export {
  agesOnShelf,
  eatenByMonth,
  seasonsOf,
  yieldsBySeason,
  type MonthsOf,
  type SeasonStock,
} from "./history.ts";
export { costOfContainer, pricesOf, setPrices, type ContainerCost } from "./cost.ts";
