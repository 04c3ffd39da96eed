import { ENOUGH_CHECKED } from "#core/rest";
import { countOf } from "#core/quantity";
import { Drawer } from "#ui/drawer";
import { Part } from "#ui/page";
import type { Causes } from "./causes.server";
import { CAUSE_NAMES, causeWords, chanceWords, rangeWords } from "../../words/rest";

/** What seals that failed have in common, in a sentence; the counts behind it in a table. */
export function CausesPart({ causes }: { causes: Causes }) {
  const { checked, failed, found } = causes;
  if (failed === 0 || checked === 0) return null;
  return (
    <Part title="Why seals fail here" className="border-t-2 border-rule pt-4">
      <p className="max-w-[46rem] text-[1.1rem]">
        {checked < ENOUGH_CHECKED
          ? `${failed} of ${countOf(checked, "seal")} failed. Too few to say anything of causes; ${ENOUGH_CHECKED} are needed.`
          : causeWords(found, checked, failed)}
      </p>
      {found.length > 0 && (
        <Drawer title="The numbers">
          <table className="w-full max-w-[56rem] text-left">
            <thead>
              <tr className="border-b-2 border-ink">
                <th className="py-2 pr-4">Shared risks</th>
                <th className="py-2 pr-4">Failed</th>
                <th className="py-2 pr-4">Of the others</th>
                <th className="py-2 pr-4 max-md:hidden">Failure rate, 90% range</th>
                <th className="py-2">By chance</th>
              </tr>
            </thead>
            <tbody>
              {found.flatMap(({ cause, groups }) =>
                groups.map((g) => (
                  <tr key={`${cause} ${g.name}`} className="border-b-2 border-rule">
                    <td className="py-2 pr-4">
                      <span className="text-soft">{CAUSE_NAMES[cause]}:</span> {g.name}
                    </td>
                    <td className="py-2 pr-4">
                      {g.failed} of {g.all}
                    </td>
                    <td className="py-2 pr-4">
                      {g.others.failed} of {g.others.all}
                    </td>
                    <td className="py-2 pr-4 max-md:hidden">{rangeWords(g.interval)}</td>
                    <td className="py-2">{chanceWords(g.p)}</td>
                  </tr>
                )),
              )}
            </tbody>
          </table>
          <p className="mt-2 max-w-[46rem] text-[0.92rem] text-soft">
            Fisher’s exact test, two-sided, each group against all others; ranges by Clopper and Pearson.
            Small numbers say little, and a cause that stands out is a place to look, not a proof.
          </p>
        </Drawer>
      )}
    </Part>
  );
}
