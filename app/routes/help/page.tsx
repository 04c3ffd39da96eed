import { href, Link } from "react-router";
import type { Route } from "./+types/page";
import { Button } from "#ui/button";
import { Notice } from "#ui/form";
import { Page } from "#ui/page";
import { HELP } from "../../words/help";
import type { FollowHandle } from "../../live/follow";

export function loader({ params }: Route.LoaderArgs) {
  const page = HELP.find((h) => h.key === params.page);
  if (!page) throw new Response("There is no help of this name.", { status: 404 });
  return { page };
}

export const handle: FollowHandle = { shows: [] };

export default function HelpText({ loaderData: { page } }: Route.ComponentProps) {
  return (
    <Page
      title={page.title}
      aside={
        <Link
          to={href("/help")}
          className="flex min-h-12 items-center font-[650] text-ink underline decoration-rule decoration-2 underline-offset-4"
        >
          All help
        </Link>
      }
    >
      <title>{`${page.title} · Patient Larder`}</title>
      <div className="max-w-[44rem] space-y-4 text-[1.15rem] leading-relaxed">
        {page.text.map((t) =>
          t.startsWith("! ") ? (
            <Notice key={t} tone="care">
              <p className="font-[650]">{t.slice(2)}</p>
            </Notice>
          ) : (
            <p key={t}>{t}</p>
          ),
        )}
        {page.source && (
          <p className="border-t-2 border-rule pt-3 text-[0.95rem] text-soft">
            <b>Source</b> {page.source}
          </p>
        )}
      </div>
      <p className="mt-7 flex flex-wrap gap-3">
        {page.see.map(([name, to]) => (
          <Button asChild key={to}>
            <Link to={to}>{name}</Link>
          </Button>
        ))}
      </p>
    </Page>
  );
}
