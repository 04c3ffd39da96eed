export * from "./trace.ts";
export {
  genealogyOf,
  fullGenealogy,
  type GenealogyGraph,
  type GenealogyFlow,
  type GenealogyNode,
} from "./genealogy.ts";
export { findAnything, type Found } from "./find.ts";
