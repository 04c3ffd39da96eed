export { lastOpening, recordOpening, type OpeningInput } from "./opening.ts";
export {
  agesOnShelf,
  eatenByMonth,
  sealsByMonth,
  seasonsOf,
  yieldsBySeason,
  type MonthOfSeals,
  type MonthsOf,
  type SeasonStock,
} from "./history.ts";
export { costOfContainer, pricesOf, setPrices, type ContainerCost } from "./cost.ts";
