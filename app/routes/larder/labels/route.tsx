import { Form, href, Link, useSubmit } from "react-router";
import type { Route } from "./+types/route";
import { STOCKS, labelPlaces, textBoxMm, type LabelStock } from "#core/label";
import { countOf, type UnitSystem } from "#core/quantity";
import { Button } from "#ui/button";
import { ListField, Notice } from "#ui/form";
import { Empty, Page, Part } from "#ui/page";
import { handWords, labelText, stockWords, type LabelText } from "../../../words/label";
import { homeContext } from "../../../server/context";
import { codesAsked, labelChoices, labelsWanted, servedExtra, stockWanted } from "./choice.server";
import { timesOf } from "../../../words/time";

export function loader({ request, context }: Route.LoaderArgs) {
  const home = context.get(homeContext);
  const { units } = home.household;
  const times = timesOf(home.household);
  const search = new URL(request.url).searchParams;
  const { wanted, unknown } = labelsWanted(home, search);
  const stock = stockWanted(home, search);
  const skip = Math.max(
    0,
    Math.min(stock.columns * stock.rows - 1, Math.floor(Number(search.get("skip")) || 0)),
  );
  const extra = servedExtra(home, wanted);
  const query = new URLSearchParams({ stock: stock.key, skip: String(skip) });
  const codes = codesAsked(search);
  if (codes.length > 0) query.set("of", codes.join(","));
  return {
    units,
    ...labelChoices(home, search, wanted),
    unknown,
    stockKey: stock.key,
    skip,
    pdf: `${href("/larder/labels.pdf")}?${query}`,
    labels: wanted.map((c) => labelText(c, units, times, extra(c))),
    byHand: wanted.map((c) => handWords(c, units, times, extra(c))),
  };
}

const FORM_NAMES = {
  sheet: "Sheets",
  disc: "Discs for lids",
  single: "One by one, off a roll",
  wrap: "Round a can",
};

export default function Labels({ loaderData }: Route.ComponentProps) {
  const { units, labels, byHand, stockKey, skip, pdf, offered, older, unknown } = loaderData;
  const stock = STOCKS.find((s) => s.key === stockKey)!;
  const send = useSubmit();
  const each = stock.columns * stock.rows;
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
          <Form
            onChange={(e) => void send(e.currentTarget)}
            className="mb-6 flex flex-wrap items-end gap-4 print:hidden"
          >
            <input type="hidden" name="chosen" value="1" />
            <fieldset className="basis-full">
              <legend className="font-[650]">Print labels for</legend>
              <ul>
                {offered.map((o) => (
                  <li key={o.code}>
                    <label className="flex min-h-12 cursor-pointer items-center gap-3">
                      <input
                        type="checkbox"
                        name="of"
                        value={o.code}
                        defaultChecked={o.chosen}
                        className="size-6 shrink-0 accent-copper"
                      />
                      {o.words}
                    </label>
                  </li>
                ))}
              </ul>
              {older.length > 0 && (
                <ListField
                  key={offered.map((o) => o.code).join()}
                  label="Print older labels again"
                  count={older.length}
                  name="of"
                  wrap="max-w-[36rem]"
                  className="input mt-1"
                >
                  <option value="">Choose jars or cans</option>
                  {older.map((o) => (
                    <option key={o.value} value={o.value}>
                      {o.label}
                    </option>
                  ))}
                </ListField>
              )}
            </fieldset>
            <label className="max-md:w-full">
              <span className="block font-[650]">Printed on</span>
              <select name="stock" defaultValue={stockKey} className="input mt-1 max-md:w-full w-auto">
                {Object.entries(FORM_NAMES).map(([form, name]) => (
                  <optgroup key={form} label={name}>
                    {STOCKS.filter((s) => s.form === form).map((s) => (
                      <option key={s.key} value={s.key}>
                        {stockWords(s, units)}
                      </option>
                    ))}
                  </optgroup>
                ))}
              </select>
            </label>
            {each > 1 && (
              <label>
                <span className="block font-[650]">Labels already used on the first sheet</span>
                <input
                  key={stockKey}
                  type="number"
                  name="skip"
                  min={0}
                  max={each - 1}
                  defaultValue={skip}
                  className="input mt-1 w-24"
                />
              </label>
            )}
            <noscript>
              <Button>Show preview</Button>
            </noscript>
          </Form>
          {labels.length > 0 && (
            <div className="grid gap-10 lg:grid-cols-[minmax(0,26rem)_1fr]">
              <Part title="The first page" className="print:hidden">
                <Sheet units={units} stock={stock} labels={labels} skip={skip} />
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

/** The first page to scale, with the words where they will stand. */
function Sheet({
  units,
  stock,
  labels,
  skip,
}: {
  units: UnitSystem;
  stock: LabelStock;
  labels: readonly LabelText[];
  skip: number;
}) {
  const { text, qr } = textBoxMm(stock);
  const places = labelPlaces(stock, labels.length, skip).filter((p) => p.page === 0);
  const gone = labelPlaces(stock, skip);
  const { page, label } = stock;
  const outline = (x: number, y: number, used: boolean) =>
    stock.form === "disc" ? (
      <circle
        cx={x + label.width / 2}
        cy={y + label.height / 2}
        r={label.width / 2}
        className="fill-sheet stroke-soft"
        strokeWidth={0.4}
        strokeDasharray={used ? "2 2" : undefined}
      />
    ) : (
      <rect
        x={x}
        y={y}
        width={label.width}
        height={label.height}
        rx={1.5}
        className="fill-sheet stroke-soft"
        strokeWidth={0.4}
        strokeDasharray={used ? "2 2" : undefined}
      />
    );
  const small = Math.min(text.height / 6.5, 5);
  return (
    <svg
      viewBox={`-1 -1 ${page.width + 2} ${page.height + 2}`}
      className="w-full border-2 border-rule"
      role="img"
      aria-label={`${stockWords(stock, units)}: ${countOf(places.length, "label")} on the first page`}
    >
      {gone.map((p) => (
        <g key={`${p.x} ${p.y}`}>{outline(p.x, p.y, true)}</g>
      ))}
      {places.map((p, i) => {
        const t = labels[i]!;
        const lines =
          stock.form === "disc"
            ? [t.contents, t.canned, t.process]
            : [t.contents, t.canned, t.process, t.lot];
        const anchor = stock.form === "disc" ? "middle" : "start";
        const x = stock.form === "disc" ? text.x + text.width / 2 : text.x;
        return (
          <g key={t.code} transform={`translate(${p.x} ${p.y})`}>
            {outline(0, 0, false)}
            {lines.map((l, n) => (
              <text
                key={n}
                x={x}
                y={text.y + small * 1.2 * (n + 1)}
                fontSize={Math.min(small, (text.width / l.length) * 2)}
                fontWeight={n === 0 ? 700 : 400}
                textAnchor={anchor}
                className="fill-ink"
              >
                {l}
              </text>
            ))}
            <rect
              x={qr.x + 1.5}
              y={qr.y + 1.5}
              width={qr.width - 3}
              height={qr.height - 3}
              className="fill-ink"
              opacity={0.8}
            />
            <text
              x={qr.x + qr.width / 2}
              y={qr.y + qr.height + 2.6}
              fontSize={3.4}
              fontWeight={700}
              textAnchor="middle"
              className="fill-ink"
            >
              {t.code}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
