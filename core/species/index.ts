export { CAUTIONS, HOLD_OFFERED, type Caution } from "./caution.ts";
export {
  SPECIES,
  groupOf,
  holdOffered,
  isFatty,
  ownSpeciesKey,
  speciesByKey,
  treatedAs,
} from "./catalogue.ts";
export { FORMS, FORM_NAMES, boneRule, formsFor, partsOf, productsFor, type LotForm } from "./form.ts";
export { type Composition, type TypicalYield, type Yields } from "./kind.ts";
export { nameInText } from "./name.ts";
export { isFishGroup, type Species, type SpeciesGroup } from "./species.ts";
