import { Link, useRouteLoaderData } from "react-router";
import type { Route } from "./+types/more";
import { Page } from "#ui/page";
import { homeContext, reachNow } from "../../server/context";
import type { loader as layout } from "./layout";
import { MAY_WORDS } from "../../words/reach";
import { PAGES } from "./pages";
import type { FollowHandle } from "../../live/follow";

export function loader({ context }: Route.LoaderArgs) {
  return { me: context.get(homeContext).me.name, may: reachNow() };
}

export const handle: FollowHandle = { shows: [] };

/** Every page there is, on one page: where a phone's “More” leads. */
export default function More({ loaderData }: Route.ComponentProps) {
  const { me, may } = loaderData;
  const places = useRouteLoaderData<typeof layout>("routes/shell/layout")?.places ?? [];
  const standing = (to: string) => places.find((p) => to === `/${p.key}`)?.what ?? null;
  return (
    <Page
      title="All pages"
      lead={`${me} is at this screen${may === "all" ? "" : ` and may ${MAY_WORDS[may]}`}. To change that, open Household.`}
    >
      <title>All pages · Patient Larder</title>
      <div className="grid gap-x-12 gap-y-8 md:grid-cols-2 lg:grid-cols-3">
        {PAGES.map(({ title, pages }) => (
          <section key={title} aria-label={title}>
            <h2 className="mb-1 text-[1.06rem] text-soft">{title}</h2>
            <ul>
              {pages.map(([name, to]) => (
                <li key={to} className="border-b-2 border-rule">
                  <Link
                    to={to}
                    reloadDocument={/\.\w+$/.test(to)}
                    className="flex min-h-12 flex-col justify-center py-1 text-ink"
                  >
                    <span className="font-[650] leading-tight">{name}</span>
                    {standing(to) && <span className="text-[0.9rem] text-soft">{standing(to)}</span>}
                  </Link>
                </li>
              ))}
            </ul>
          </section>
        ))}
      </div>
    </Page>
  );
}
