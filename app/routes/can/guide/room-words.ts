import type { KindKey } from "#core/capacity";
import type { LineProblem } from "#core/canning";
import { kindWords } from "../../../words/plan";

/** Why a size cannot be filled as it was asked for, and what can be done. */
export function roomWords(problem: Omit<LineProblem, "line">, kind: KindKey, canner: string): string {
  const some = problem.most > 0 ? `Enter ${problem.most} or fewer` : "Choose another size";
  switch (problem.why) {
    case "no-process":
      return "There is no tested process for this food in this size. Choose another size.";
    case "no-food":
      return problem.most > 0
        ? `There is enough for ${kindWords(kind, problem.most)}. ${some}.`
        : `There is not enough for one. ${some}.`;
    case "no-room":
      return problem.most > 0
        ? `${canner} takes ${kindWords(kind, problem.most)} in one load. ${some}; the rest is another load.`
        : `${canner} has no room for these beside the others. ${some}.`;
  }
}
