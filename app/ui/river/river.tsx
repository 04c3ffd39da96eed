import { sankey, sankeyLeft, sankeyLinkHorizontal, type SankeyLink, type SankeyNode } from "d3-sankey";
import { href, Link } from "react-router";
import { localDay } from "#core/calendar";
import type { GenealogyGraph, GenealogyNode } from "#store/trace";
import { formatMass, formatMassShort, type UnitSystem } from "#core/quantity";
import { shapeOf, type ContainerKey } from "#core/schedule";
import { Drawer } from "#ui/drawer";
import { contentsOf, patternOf } from "#ui/glyph";
import { speciesWords } from "../../words/load";
import { dayWords, type Times } from "../../words/time";

type Node = SankeyNode<GenealogyNode, object>;
type Flow = SankeyLink<GenealogyNode, object>;

const WIDTH = 720;
/** With runs and what became of the jars there are two stages more. */
const WIDE = 1120;
const BANK = 12;

/** What stands beside a bank: an animal's kind, a lot's part, a pack's jars. */
function nameOf(n: GenealogyNode): string {
  if (n.kind === "harvest") return speciesWords([n.what]);
  if (n.kind === "lot" || n.kind === "run") return n.what;
  if (n.kind === "fate") return `${n.count} ${n.what}`;
  const shape = shapeOf(n.what as ContainerKey, null);
  return `${n.count} ${n.count === 1 ? shape.name : shape.plural}`;
}

/**
 * From animals to lots and on to jars, as a river whose width is weight. The same is said in words beside it for whoever
 * cannot see it.
 */
export function River({
  river,
  here,
  units,
  times,
}: {
  river: GenealogyGraph;
  here: string;
  units: UnitSystem;
  /** the day of each stage stands beside it when there is one */
  times?: Times;
}) {
  if (river.flows.length === 0) return <p className="text-soft">Nothing has been made of it yet.</p>;
  const rows = Math.max(
    ...["harvest", "lot", "pack", "run", "fate"].map((k) => river.nodes.filter((n) => n.kind === k).length),
  );
  const height = Math.max(130, Math.min(times ? 640 : 460, rows * (times ? 72 : 54)));
  const width = times ? WIDE : WIDTH;
  const graph = sankey<GenealogyNode, object>()
    .nodeId((n) => n.code)
    .nodeAlign(sankeyLeft)
    .nodeWidth(BANK)
    .nodePadding(times ? 46 : 26)
    .extent([
      [1, 18],
      [width - 150, height - 6],
    ])({
    nodes: river.nodes.map((n) => ({ ...n })),
    links: river.flows.map((f) => ({ source: f.from, target: f.to, value: Math.max(f.massKg, 0.001) })),
  });
  const draw = sankeyLinkHorizontal<GenealogyNode, object>();
  return (
    <figure>
      <div
        className="overflow-x-auto"
        tabIndex={0}
        role="group"
        aria-label="From animals to lots and jars, by weight"
      >
        <svg
          viewBox={`0 0 ${width} ${height}`}
          className={`w-full ${times ? "min-w-[900px]" : "min-w-[560px]"}`}
          role="img"
          aria-label={inWords(river, units)}
        >
          {graph.links.map((l, i) => (
            <path
              key={i}
              d={draw(l) ?? ""}
              fill="none"
              stroke={`var(--${colourOf(l.source as Node)})`}
              strokeOpacity={0.55}
              strokeWidth={Math.max(1.5, l.width ?? 0)}
            >
              <title>{flowWords(l, units)}</title>
            </path>
          ))}
          {graph.nodes.map((n) => (
            <Bank key={n.code} node={n} here={n.code === here} units={units} times={times} />
          ))}
        </svg>
      </div>
      <Drawer title="The same as a list" className="text-[0.95rem]">
        <ul>
          {river.flows.map((f) => (
            <li
              key={`${f.from} ${f.to}`}
              className="flex flex-wrap items-center gap-x-2 border-t-2 border-rule"
            >
              <b className="w-24">{formatMass(f.massKg, units)}</b> from <End code={f.from} river={river} />{" "}
              to <End code={f.to} river={river} />
            </li>
          ))}
        </ul>
      </Drawer>
    </figure>
  );
}

/** One end of a flow, as a link to its card. */
function End({ code, river }: { code: string; river: GenealogyGraph }) {
  const node = river.nodes.find((n) => n.code === code)!;
  if (node.kind === "fate") return <span className="inline-flex min-h-12 items-center">{nameOf(node)}</span>;
  const card = { lot: "/cold/:code", harvest: "/field/:code", pack: "/c/:code", run: "/c/:code" } as const;
  return (
    <Link
      to={href(card[node.kind], { code })}
      className="inline-flex min-h-12 min-w-12 items-center gap-2 text-ink"
    >
      {nameOf(node)} <span className="code">{code}</span>
    </Link>
  );
}

function Bank({
  node: n,
  here,
  units,
  times,
}: {
  node: Node;
  here: boolean;
  units: UnitSystem;
  times: Times | undefined;
}) {
  const [x, y, tall] = [n.x0!, n.y0!, Math.max(2, n.y1! - n.y0!)];
  return (
    <g>
      <rect
        x={x}
        y={y}
        width={BANK}
        height={tall}
        fill={`var(--${colourOf(n)})`}
        stroke="var(--ink)"
        strokeWidth={here ? 3 : 1.5}
      />
      {n.kind === "lot" && (
        <rect x={x} y={y} width={BANK} height={tall} fill={`url(#lot-${patternOf(n.code)})`} />
      )}
      <text
        x={x + BANK + 5}
        y={y + tall / 2 - 1}
        fontSize="16"
        fontWeight={here ? 800 : 600}
        fill="var(--ink)"
        stroke="var(--paper)"
        strokeWidth="4"
        paintOrder="stroke"
      >
        {nameOf(n)}
      </text>
      <text
        x={x + BANK + 5}
        y={y + tall / 2 + 16}
        fontSize="18"
        fill="var(--ink)"
        stroke="var(--paper)"
        strokeWidth="4"
        paintOrder="stroke"
        fontFamily="var(--font-figure)"
      >
        {n.kind === "fate" ? "" : `${n.code} · `}
        {formatMassShort(n.value ?? 0, units)}
      </text>
      {times && (
        <text
          x={x + BANK + 5}
          y={y + tall / 2 + 32}
          fontSize="14"
          fill="var(--soft)"
          stroke="var(--paper)"
          strokeWidth="4"
          paintOrder="stroke"
        >
          {dayWords(localDay(n.at, times.zone), times)}
        </text>
      )}
    </g>
  );
}

function colourOf(n: GenealogyNode): string {
  if (n.kind === "harvest") return contentsOf(null, [n.what]);
  if (n.kind === "run") return "steam";
  if (n.kind === "fate") return n.what === "thrown out" || n.what === "not sealed" ? "stop" : "moss";
  return n.kind === "pack" ? "glass" : "tin";
}

function flowWords(l: Flow, units: UnitSystem): string {
  return `${formatMass(l.value, units)} from ${(l.source as Node).code} to ${(l.target as Node).code}`;
}

function inWords(river: GenealogyGraph, units: UnitSystem): string {
  return river.flows.map((f) => `${formatMass(f.massKg, units)} from ${f.from} to ${f.to}`).join("; ");
}
