export {
  addPlace,
  changePlace,
  getPlace,
  listPlaces,
  placeName,
  retirePlace,
  type ShelfPlace,
} from "./place.ts";
export {
  getShelved,
  onShelf,
  packsOnShelf,
  pastBestBy,
  shelfGlance,
  shelvedByIds,
  shelvedSince,
  toShelve,
  type ShelfGlance,
  type Shelved,
} from "./shelved.ts";
export { byKind, stockKey, type KindStock } from "./kinds.ts";
export { putBack, shelve, shelveOnNew, takeOff, type TakenAs } from "./take.ts";
export { countShelf, reconcile, type CountLine, type ShelfCount } from "./count.ts";
export {
  addStorageEntry,
  checkOnShelf,
  flaggedByStorage,
  storageRooms,
  type FlaggedContainer,
  type StorageRoom,
} from "./storage.ts";
export { happeningsOf, type Happening } from "./happening.ts";
export { giftsOf, type Gift, type GiftAnimal } from "./gift.ts";
export { findOnShelf } from "./search.ts";
