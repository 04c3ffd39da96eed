import { href, Link } from "react-router";
import { Button } from "#ui/button";
import { Page } from "#ui/page";
import { SOURCE_GROUPS } from "../../words/sources";
import type { FollowHandle } from "../../live/follow";

export const handle: FollowHandle = { shows: [] };

/** Where every kind of figure comes from, and what it was held against. */
export default function Sources() {
  return (
    <Page
      title="Where the figures come from"
      lead="“From memory” means written down without the printed page at hand. Compare those with your own copy."
      aside={
        <Button asChild weight="do">
          <Link to={href("/help/tables")}>Compare the tables</Link>
        </Button>
      }
    >
      <title>Where the figures come from · Patient Larder</title>
      <div className="grid gap-x-12 lg:grid-cols-2 [&>*]:break-inside-avoid">
        {SOURCE_GROUPS.map((g) => (
          <section key={g.key} id={g.key} aria-labelledby={`of-${g.key}`} className="mb-7 scroll-mt-4">
            <h2 id={`of-${g.key}`} className="mb-1 text-[1.3rem]">
              {g.title}
            </h2>
            <dl>
              {g.figures.map((f) => (
                <div key={f.figure} className="border-t-2 border-rule py-2">
                  <dt className="font-[650]">{f.figure}</dt>
                  <dd>{f.source}</dd>
                  {f.checked && (
                    <dd className="text-soft">
                      <b>Checked against:</b> {f.checked}
                    </dd>
                  )}
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
    </Page>
  );
}
