import { href } from "react-router";
import type { Route } from "./+types/route";
import { giftBoxMm } from "#core/label";
import { countOf } from "#core/quantity";
import { Button } from "#ui/button";
import { Notice } from "#ui/form";
import { Empty, Page, Part } from "#ui/page";
import { stockWords } from "../../../words/label";
import { homeContext } from "../../../server/context";
import { codesAsked, labelChoices, skipOf } from "../labels/choice.server";
import { CheckFiles } from "../recall/check-files";
import { LabelForm } from "../labels/form";
import { Sheet } from "../labels/sheet";
import { GIFT_STOCKS, giftStock, giftsWanted, roomyFor, tooLongFor } from "./gifts.server";

export function loader({ request, context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const { units } = home.household;
  const search = new URL(request.url).searchParams;
  // Nobody gives away all that was canned lately: nothing is chosen before somebody does.
  search.set("chosen", "1");
  const { labels, refused, unknown } = giftsWanted(home, search);
  const stock = giftStock(home, search);
  const skip = skipOf(stock, search);
  const query = new URLSearchParams({
    of: codesAsked(search).join(","),
    stock: stock.key,
    skip: String(skip),
  });
  const long = tooLongFor(stock, labels);
  return {
    units,
    ...labelChoices(
      home,
      search,
      labels.map((l) => l.gift.shelved),
    ),
    labels: labels.map(({ text, given }) => ({ ...text, given })),
    refused,
    unknown,
    long,
    roomy: long.length > 0 ? roomyFor(labels).map((s) => stockWords(s, units)) : [],
    stocks: GIFT_STOCKS,
    stock,
    box: giftBoxMm(stock)!,
    skip,
    pdf: `${href("/larder/gifts.pdf")}?${query}`,
    book: `${href("/larder/given.pdf")}?${query}`,
  };
}

export default function Gifts({ loaderData }: Route.ComponentProps) {
  const {
    units,
    labels,
    refused,
    unknown,
    long,
    roomy,
    stocks,
    stock,
    box,
    skip,
    pdf,
    book,
    offered,
    older,
  } = loaderData;
  return (
    <Page
      title="Gift labels"
      lead="What the new owner must know, in words and in a QR code for any phone."
      aside={
        labels.length > 0 && (
          <div className="flex flex-wrap gap-3">
            <Button asChild>
              <a href={book} target="_blank" rel="noreferrer">
                Sheet for your own book (PDF)
              </a>
            </Button>
            {long.length === 0 && (
              <Button asChild weight="do">
                <a href={pdf} target="_blank" rel="noreferrer">
                  {countOf(labels.length, "gift label")} as PDF
                </a>
              </Button>
            )}
          </div>
        )
      }
    >
      <title>Gift labels · Patient Larder</title>
      {(refused.length > 0 || unknown.length > 0) && (
        <Notice tone="stop" className="mb-5">
          {[
            ...refused,
            ...(unknown.length ? [`Nothing in this larder carries ${unknown.join(", ")}.`] : []),
          ].join(" ")}{" "}
          No gift label for {refused.length + unknown.length === 1 ? "it" : "them"}.
        </Notice>
      )}
      {long.length > 0 && (
        <Notice tone="stop" className="mb-5">
          The text of {long.join(", ")} is too long for this label: its QR code could not be read.{" "}
          {roomy.length > 0
            ? `Choose a larger one: ${roomy.slice(0, 3).join("; ")}.`
            : "Give it the sheet instead."}
        </Notice>
      )}
      {offered.length + older.length === 0 ? (
        <Empty title="Nothing to give away yet.">
          Sealed jars and cans come here when their lids were pressed.
        </Empty>
      ) : (
        <LabelForm
          offered={offered}
          older={older}
          olderAs="All of an older load"
          stocks={stocks}
          stock={stock}
          skip={skip}
          units={units}
        >
          <div className="mt-3 flex max-w-[36rem] items-end gap-3">
            <label className="flex-1">
              <span className="block font-[650]">Or the codes on their lids</span>
              <span className="block text-[0.92rem] text-soft">Example: 7K4-R, 8PQ-2</span>
              {/* Half a code is not looked for: it is asked for by its button. */}
              <input
                key={labels.length}
                name="of"
                autoComplete="off"
                onChange={(e) => e.stopPropagation()}
                className="input mt-1"
              />
            </label>
            <Button>Add</Button>
          </div>
        </LabelForm>
      )}
      {labels.length > 0 && (
        <div className="grid gap-10 lg:grid-cols-2">
          <Part title="The first page">
            <Sheet
              units={units}
              stock={stock}
              boxes={box}
              labels={labels.map((t) => ({ code: t.code, lines: [t.contents, ...t.lines.slice(0, 3)] }))}
              skip={skip}
            />
          </Part>
          <Part title="What each QR code says">
            <ul className="space-y-4">
              {labels.map((t) => (
                <li key={t.code} className="border-2 border-rule bg-sheet p-4">
                  {t.given && <p className="mb-2 font-[650]">{t.given}</p>}
                  <p className="whitespace-pre-line">{t.whole}</p>
                </li>
              ))}
            </ul>
          </Part>
        </div>
      )}
      <CheckFiles />
    </Page>
  );
}
