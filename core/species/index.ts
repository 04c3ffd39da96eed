export {
  CAUTIONS,
  FORMS,
  FORM_NAMES,
  SPECIES,
  formsFor,
  productsFor,
  speciesByKey,
  treatedAs,
  type Caution,
  type LotForm,
  type Species,
  type SpeciesGroup,
} from "./catalogue.ts";
