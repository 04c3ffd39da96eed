import { Link } from "react-router";
import type { Route } from "./+types/route";
import { Page } from "#ui/page";
import { atHome } from "../../server/context";
import { HELP } from "../../words/help";
import { CHECKS_TITLE } from "../../words/checks";
import type { FollowHandle } from "../../live/follow";

export function loader({ request, context }: Route.LoaderArgs) {
  atHome(context, request);
  return null;
}

export const handle: FollowHandle = { shows: [] };

export default function Help() {
  return (
    <Page
      title="Help"
      lead="What must be known, in the order of the work. The looking glass above finds any of it (Ctrl K); ? tells the keys."
    >
      <title>Help · Patient Larder</title>
      <ol className="grid gap-x-12 md:grid-cols-2">
        <li className="border-b-2 border-rule">
          <Link to="/help/checks" className="flex min-h-14 items-center text-[1.15rem] font-[650] text-ink">
            {CHECKS_TITLE}
          </Link>
        </li>
        {HELP.map((h) => (
          <li key={h.key} className="border-b-2 border-rule">
            <Link
              to={`/help/${h.key}`}
              className="flex min-h-14 items-center text-[1.15rem] font-[650] text-ink"
            >
              {h.title}
            </Link>
          </li>
        ))}
      </ol>
    </Page>
  );
}
