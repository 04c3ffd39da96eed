import { Form, Link, useSubmit } from "react-router";
import type { Route } from "./+types/route";
import { fillEstimate, fullContainers } from "#core/pack";
import { whyNotPacked } from "#core/lot";
import { countOf, formatMass } from "#core/quantity";
import { SHAPES, shapeOf, testedSchedule, type ContainerKey } from "#core/schedule";
import { groupOf, productsFor } from "#core/species";
import { lotsInHand } from "#store/lot";
import { recordedFills } from "#store/pack";
import { ContainerGlyph, contentsOf, patternOf } from "#ui/glyph";
import { Code, LotMark } from "#ui/lotmark";
import { Empty, Page } from "#ui/page";
import { Sheet as SheetDrawing } from "../../ui/bench/place-drawing";
import { containersWords, speciesWords } from "../../words/load";
import { atHome } from "../../server/context";

const KINDS = [...new Set(SHAPES.map((s) => s.key))];

export function loader({ request, context }: Route.LoaderArgs) {
  const { larder, household } = atHome(context, request);
  const asked = new URL(request.url).searchParams.get("container") ?? "jar-pint";
  const container = (KINDS as string[]).includes(asked) ? (asked as ContainerKey) : "jar-pint";
  const rows = lotsInHand(larder).map((lot) => {
    const can = container.startsWith("can-");
    const product = productsFor(groupOf(lot.species), lot.form).find((p) => p.startsWith("can-") === can);
    const found = product
      ? (["raw", "hot"] as const)
          .map((pack) =>
            testedSchedule({ product, pack, container, gauge: "weighted", altitudeM: household.altitudeM }),
          )
          .find((s) => s.outcome === "tested")
      : undefined;
    if (!found || !product) return { lot, fits: null };
    const estimate = fillEstimate(
      product,
      found.pack,
      container,
      recordedFills(larder, product, found.pack, container),
    );
    return {
      lot,
      fits: {
        ...fullContainers(lot.leftKg, estimate.kgEach),
        estimate,
        minutes: found.minutes,
        pack: found.pack,
      },
    };
  });
  return { rows, container, units: household.units };
}

export default function Plan({ loaderData }: Route.ComponentProps) {
  const { rows, container, units } = loaderData;
  const send = useSubmit();
  const total = rows.reduce((sum, r) => sum + (r.fits?.count ?? 0), 0);
  return (
    <Page
      title="Plan"
      lead="How many full containers each lot makes, and what is left over. A part-filled one is not canned."
      aside={
        <Form onChange={(e) => void send(e.currentTarget, { replace: true })}>
          <label>
            <span className="block text-[0.92rem]">In</span>
            <select
              name="container"
              key={container}
              defaultValue={container}
              className="min-h-12 rounded border-2 border-ink bg-sheet px-3"
            >
              {KINDS.map((k) => (
                <option key={k} value={k}>
                  {shapeOf(k).plural}
                </option>
              ))}
            </select>
          </label>
        </Form>
      }
    >
      <title>Plan · Patient Larder</title>
      {rows.length === 0 ? (
        <Empty drawing={<SheetDrawing />} title="No lots in hand, so nothing to plan.">
          Cut one at the Table.
        </Empty>
      ) : (
        <>
          <ul>
            {rows.map(({ lot, fits }) => (
              <li
                key={lot.id}
                className="grid items-end gap-x-6 gap-y-2 border-t-2 border-rule py-4 md:grid-cols-[19rem_1fr_15rem]"
              >
                <div className="flex items-center gap-3 self-center">
                  <LotMark code={lot.code} contents={contentsOf(null, lot.species)} size={44} />
                  <div>
                    <Code>{lot.code}</Code> <b>{formatMass(lot.leftKg, units)}</b>
                    <div className="text-soft">
                      {lot.part} of {speciesWords(lot.species)}
                      {whyNotPacked(lot) === "frozen" && ", frozen"}
                      {whyNotPacked(lot) === "thawing" && ", thawing"}
                      {whyNotPacked(lot) === "held" && ", on hold"}
                    </div>
                  </div>
                </div>
                {fits ? (
                  <>
                    <div className="flex flex-wrap items-end gap-[3px]">
                      {Array.from({ length: Math.min(fits.count, 24) }, (_, i) => (
                        <ContainerGlyph
                          key={i}
                          shape={shapeOf(container)}
                          state="filled"
                          contents={contentsOf(null, lot.species)}
                          pattern={patternOf(lot.code)}
                          scale={0.3}
                          label=""
                        />
                      ))}
                    </div>
                    <div className="self-center md:text-right">
                      <span className="fig text-[2.2rem] leading-none font-bold">{fits.count}</span>{" "}
                      <b>{containersWords(container, null, fits.count).replace(/^\S+ /, "")}</b>
                      <div className="text-[0.92rem] text-soft">
                        {formatMass(fits.leftKg, units)} left, {fits.minutes} min {fits.pack} pack
                        <br />
                        {formatMass(fits.estimate.kgEach, units)} each,{" "}
                        {fits.estimate.source === "these packs"
                          ? `from ${countOf(fits.estimate.packs, "pack")} of your own`
                          : "common practice"}
                      </div>
                    </div>
                  </>
                ) : (
                  <p className="text-soft md:col-span-2">
                    {lot.form === "roast" ? (
                      "A roast kept whole: cut it before it is packed."
                    ) : (
                      <>
                        No tested process in {shapeOf(container).plural} at this altitude.{" "}
                        <Link to="/ask" className="text-ink underline underline-offset-4">
                          Ask for another size
                        </Link>
                      </>
                    )}
                  </p>
                )}
              </li>
            ))}
          </ul>
          <p className="border-t-4 border-bench pt-3 text-[1.15rem]">
            <b>{containersWords(container, null, total)}</b> in all, so {total} new lids and {total} clean,
            whole {container.startsWith("can-") ? "cans" : "jars"}.
          </p>
        </>
      )}
    </Page>
  );
}
