import type { Route } from "./+types/check-file";
import { signRecalls } from "#store/witness";
import { homeContext } from "../../../server/context";
import { checkPage } from "./check-page.server";
import { downloadAnswer } from "../../../server/download";

/** The page that checks a jar, as a file to send or to hand over with a gift. */
export function loader({ context }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  return downloadAnswer(
    checkPage(signRecalls(larder, household)),
    "text/html; charset=utf-8",
    "check-a-jar.html",
  );
}
