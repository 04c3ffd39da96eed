import { href, Link } from "react-router";
import type { Route } from "./+types/checks";
import { HAZARDS, STAGES } from "#core/hazard";
import { Drawer } from "#ui/drawer";
import { Page } from "#ui/page";
import { countOf } from "#core/quantity";
import { CANNOT, CHECKS_TITLE } from "../../words/checks";
import { stageWords } from "../../words/hazards";
import type { FollowHandle } from "../../live/follow";

export function loader() {
  return {
    stages: STAGES.map((stage) => ({
      stage,
      name: stageWords(stage),
      checks: HAZARDS.filter((h) => h.stage === stage).map(({ cause, sees }) => ({ cause, sees })),
    })),
    count: HAZARDS.length,
  };
}

export const handle: FollowHandle = { shows: [] };

export default function Checks({ loaderData: { stages, count } }: Route.ComponentProps) {
  const half = Math.ceil(stages.length / 2);
  return (
    <Page
      title={CHECKS_TITLE}
      lead={`${countOf(count, "thing")} that can go wrong and are looked for, in the order of the work.`}
      aside={
        <Link
          to={href("/help")}
          className="flex min-h-12 items-center font-[650] text-ink underline decoration-rule decoration-2 underline-offset-4"
        >
          All help
        </Link>
      }
    >
      <title>{`${CHECKS_TITLE} · Patient Larder`}</title>
      <div className="grid gap-x-12 gap-y-8 lg:grid-cols-[1fr_24rem]">
        <section aria-labelledby="checked" className="min-w-0">
          <h2 id="checked" className="mb-2 text-[1.4rem]">
            What it checks
          </h2>
          <div className="grid items-start gap-x-10 sm:grid-cols-2">
            {[stages.slice(0, half), stages.slice(half)].map((some) => (
              <div key={some[0]!.stage}>
                {some.map((s) => (
                  <Drawer key={s.stage} title={`${s.name}: ${s.checks.length}`}>
                    <dl className="pb-3">
                      {s.checks.map((c) => (
                        <div key={c.cause} className="border-t-2 border-rule py-2">
                          <dt className="font-[650]">{c.cause}.</dt>
                          <dd className="text-soft">{c.sees}</dd>
                        </div>
                      ))}
                    </dl>
                  </Drawer>
                ))}
              </div>
            ))}
          </div>
        </section>
        <section aria-labelledby="not-checked" className="max-lg:order-first">
          <h2 id="not-checked" className="mb-2 text-[1.4rem]">
            What it cannot
          </h2>
          <ul className="space-y-3 text-[1.05rem] leading-relaxed">
            {CANNOT.map((c) => (
              <li key={c} className="border-t-2 border-rule pt-3">
                {c}
              </li>
            ))}
          </ul>
        </section>
      </div>
    </Page>
  );
}
