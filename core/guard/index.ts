export { addedToFish, splitAdditions, whyNotAdded, type AdditionRefusal } from "./addition.ts";
export { commonMinutes, whyNotHabit, type Habits } from "./habit.ts";
export {
  isFishRow,
  whyNotPack,
  type FoodOfLot,
  type PackRefusal,
  type BrothFrom,
  type DishToFill,
  type PackToFill,
  type PackingHousehold,
} from "./pack.ts";
export { MOST_FILLERS, fillersAsPacks, whyNotFilled } from "./filler.ts";
export {
  belowLeastLoad,
  judgeLoad,
  sizesOf,
  waitedTooLong,
  whyNotExtra,
  type CannerToLoad,
  type LoadAnswer,
  type LoadRefusal,
  type PackToLoad,
  type ToSign,
} from "./load.ts";
export { whyNoGiftLabel, whyNotShelved, whyNotTaken, type ContainerOnTheWay } from "./shelf.ts";
export { lesserReach, REACHES, whyBeyondReach, type Attempt, type Reach, type ReachOf } from "./reach.ts";
export { whyNotGiven } from "./given.ts";
