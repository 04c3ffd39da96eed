import type { Route } from "./+types/check-file";
import { signRecalls } from "#store/witness";
import { homeContext } from "../../../server/context";
import { checkPage } from "./check-page.server";

/** The page that checks a jar, as a file to send or to hand over with a gift. */
export function loader({ context }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  return new Response(checkPage(signRecalls(larder, household)), {
    headers: {
      "Content-Type": "text/html; charset=utf-8",
      "Content-Disposition": 'attachment; filename="check-a-jar.html"',
      "Cache-Control": "no-store",
    },
  });
}
