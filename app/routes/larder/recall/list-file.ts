import type { Route } from "./+types/list-file";
import { signRecalls } from "#store/witness";
import { homeContext } from "../../../server/context";

/** The signed recall list, for a page that checks jars and was handed over before. */
export function loader({ context }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  return new Response(signRecalls(larder, household).text, {
    headers: {
      "Content-Type": "text/plain; charset=utf-8",
      "Content-Disposition": 'attachment; filename="recall-list.txt"',
      "Cache-Control": "no-store",
    },
  });
}
