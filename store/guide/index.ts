export {
  addGuide,
  beginComparing,
  comparingNow,
  decideRow,
  endComparing,
  householdRows,
  listGuides,
  recordComparison,
  rowStandings,
  standingOf,
  type ComparisonInput,
} from "./guide.ts";
export {
  addOffice,
  endOffice,
  listOffices,
  officesFor,
  permitOffice,
  processOf,
  type GivenByOffice,
  type KeptOffice,
  type OfficeInput,
} from "./office.ts";
export { keepPagePhoto, pagePhotoFile, pagePhotosOf, type PagePhoto } from "./page-photo.ts";
