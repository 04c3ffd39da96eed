import { href, Link } from "react-router";
import type { Route } from "./+types/route";
import { STOCKS, textBoxMm } from "#core/label";
import { countOf } from "#core/quantity";
import { Button } from "#ui/button";
import { Notice } from "#ui/form";
import { Empty, Page, Part } from "#ui/page";
import { handWords, labelText } from "../../../words/label";
import { homeContext } from "../../../server/context";
import { codesAsked, labelChoices, labelsWanted, servedExtra, skipOf, stockWanted } from "./choice.server";
import { timesOf } from "../../../words/time";
import { LabelForm } from "./form";
import { Sheet } from "./sheet";

export function loader({ request, context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const { units } = home.household;
  const times = timesOf(home.household);
  const search = new URL(request.url).searchParams;
  const { wanted, unknown } = labelsWanted(home, search);
  const stock = stockWanted(home, search);
  const skip = skipOf(stock, search);
  const extra = servedExtra(home, wanted);
  const query = new URLSearchParams({ stock: stock.key, skip: String(skip) });
  const codes = codesAsked(search);
  if (codes.length > 0) query.set("of", codes.join(","));
  return {
    units,
    ...labelChoices(home, search, wanted),
    unknown,
    stock,
    skip,
    pdf: `${href("/larder/labels.pdf")}?${query}`,
    labels: wanted.map((c) => labelText(c, units, times, extra(c))),
    byHand: wanted.map((c) => handWords(c, units, times, extra(c))),
  };
}

export default function Labels({ loaderData }: Route.ComponentProps) {
  const { units, labels, byHand, stock, skip, pdf, offered, older, unknown } = loaderData;
  return (
    <Page
      title="Labels"
      lead="Contents, day, minutes, pressure, lot and QR code. Or the words to write with a marker."
      aside={
        labels.length > 0 && (
          <div className="flex flex-wrap gap-3 print:hidden">
            <Button type="button" onClick={() => window.print()}>
              Print the words
            </Button>
            <Button asChild weight="do">
              <a href={pdf} target="_blank" rel="noreferrer">
                {countOf(labels.length, "label")} as PDF
              </a>
            </Button>
          </div>
        )
      }
    >
      <title>Labels · Patient Larder</title>
      {unknown.length > 0 && (
        <Notice tone="stop" className="mb-5">
          Nothing in this larder carries {unknown.join(", ")}. Its labels are left out.
        </Notice>
      )}
      {offered.length + older.length === 0 ? (
        <Empty title="Nothing to label.">
          Sealed jars and cans come here when their lids were pressed.{" "}
          <Link to={href("/rest")}>See the cooling jars</Link>
        </Empty>
      ) : (
        <>
          <LabelForm
            offered={offered}
            older={older}
            olderAs="Print older labels again"
            stocks={STOCKS}
            stock={stock}
            skip={skip}
            units={units}
          />
          {labels.length > 0 && (
            <div className="grid gap-10 lg:grid-cols-[minmax(0,26rem)_1fr]">
              <Part title="The first page" className="print:hidden">
                <Sheet
                  units={units}
                  stock={stock}
                  boxes={textBoxMm(stock)}
                  labels={labels.map((t) => ({
                    code: t.code,
                    lines:
                      stock.form === "disc"
                        ? [t.contents, t.canned, t.process]
                        : [t.contents, t.canned, t.process, t.lot],
                  }))}
                  skip={skip}
                />
                <p className="mt-2 text-[0.92rem] text-soft">
                  Measure your own sheet before a box of it is used, and print at 100 %, not “fit to page”.
                </p>
              </Part>
              <Part title="No printer: write this on each lid">
                <ul className="grid gap-4 sm:grid-cols-2">
                  {byHand.map((lines) => (
                    <li key={lines.at(-1)} className="border-2 border-rule bg-sheet p-4 break-inside-avoid">
                      {lines.slice(0, -1).map((l) => (
                        <p key={l} className="text-[1.2rem] leading-snug font-[650]">
                          {l}
                        </p>
                      ))}
                      <p className="fig mt-1 text-[3rem] leading-none font-bold">{lines.at(-1)}</p>
                    </li>
                  ))}
                </ul>
              </Part>
            </div>
          )}
        </>
      )}
    </Page>
  );
}
