export * from "./trace.ts";
export {
  genealogyOf,
  fullGenealogy,
  type GenealogyGraph,
  type GenealogyFlow,
  type GenealogyNode,
} from "./genealogy.ts";
export { findAnything, findOnDay, type Found } from "./find.ts";
