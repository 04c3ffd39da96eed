import { href, Link } from "react-router";
import { Page } from "#ui/page";
import { HELP } from "../../words/help";
import { CHECKS_TITLE } from "../../words/checks";
import type { FollowHandle } from "../../live/follow";

export const handle: FollowHandle = { shows: [] };

export default function Help() {
  return (
    <Page
      title="Help"
      lead="What you need to know, in the order of the work. Search with the button at the top or Ctrl K. Press ? for shortcuts."
    >
      <title>Help · Patient Larder</title>
      <ol className="grid gap-x-12 md:grid-cols-2">
        {(
          [
            [href("/help/tables"), "Compare the process tables"],
            [href("/help/offices"), "Office schedules"],
            [href("/help/sources"), "Where the figures come from"],
            [href("/help/checks"), CHECKS_TITLE],
          ] as const
        ).map(([to, title]) => (
          <li key={to} className="border-b-2 border-rule">
            <Link to={to} className="flex min-h-14 items-center text-[1.15rem] font-[650] text-ink">
              {title}
            </Link>
          </li>
        ))}
        {HELP.map((h) => (
          <li key={h.key} className="border-b-2 border-rule">
            <Link
              to={href("/help/:page", { page: h.key })}
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
