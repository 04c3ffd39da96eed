import { labelPlaces, type Box, type LabelStock } from "#core/label";
import { countOf, type UnitSystem } from "#core/quantity";
import { stockWords } from "../../../words/label";

/** The first page to scale, with the words where they will stand. */
export function Sheet({
  units,
  stock,
  boxes: { text, qr },
  labels,
  skip,
}: {
  units: UnitSystem;
  stock: LabelStock;
  boxes: { text: Box; qr: Box };
  labels: readonly { code: string; lines: readonly string[] }[];
  skip: number;
}) {
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
        const { code, lines } = labels[i]!;
        const anchor = stock.form === "disc" ? "middle" : "start";
        const x = stock.form === "disc" ? text.x + text.width / 2 : text.x;
        return (
          <g key={code} transform={`translate(${p.x} ${p.y})`}>
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
            {qr.y + qr.height + 3 < label.height && (
              <text
                x={qr.x + qr.width / 2}
                y={qr.y + qr.height + 2.6}
                fontSize={3.4}
                fontWeight={700}
                textAnchor="middle"
                className="fill-ink"
              >
                {code}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}
