import type { Route } from "./+types/list-file";
import { signRecalls } from "#store/witness";
import { homeContext } from "../../../server/context";
import { downloadAnswer } from "../../../server/download";

/** The signed recall list, for a page that checks jars and was handed over before. */
export function loader({ context }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  return downloadAnswer(signRecalls(larder, household).text, "text/plain; charset=utf-8", "recall-list.txt");
}
