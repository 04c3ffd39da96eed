import type { SeamSection, Mark } from "#core/seam";

type Part = keyof SeamSection["marks"];

/**
 * A double seam cut through, to scale: the end in copper, the body in tin, each as thick as its plate. Parts that are out of
 * their limits carry their length in red, beside the drawing.
 */
export function SeamDrawing({
  section,
  out = [],
  shown = [],
  scale = 110,
  faint = false,
  label,
}: {
  section: SeamSection;
  /** what is out of its limits, with what to write beside it */
  out?: readonly { part: Part; words: string }[];
  /** lengths marked though they are fine */
  shown?: readonly { part: Part; words: string }[];
  /** pixels a millimetre */
  scale?: number;
  /** drawn as what should be, beside what is */
  faint?: boolean;
  label: string;
}) {
  const font = 17 / scale;
  const bad = new Set(out.map((o) => o.part));
  const notes = [
    ...out.map((o) => ({ ...o, bad: true })),
    ...shown.filter((s) => !bad.has(s.part)).map((s) => ({ ...s, bad: false })),
  ];
  const beside = notes.filter((n) => n.part !== "thickness");
  const words = Math.max(0, ...beside.map((n) => n.words.length * (n.bad ? 0.58 : 0.46)));
  const pad = faint ? 0.1 : textFrom(beside.length) + words * font + 0.05;
  // What should be is drawn to the same scale, without the can round it.
  const right = faint ? section.marks.thickness.to.x + 0.5 : section.rightMm;
  const width = right + pad + 0.1;
  const height = section.bottomMm + 0.55;
  return (
    <svg
      width={width * scale}
      height={height * scale}
      viewBox={`${-pad} -0.45 ${width} ${height}`}
      role="img"
      aria-label={label}
      className="block h-auto max-w-full"
      data-seam={faint ? "limits" : "measured"}
    >
      <g fill="none" opacity={faint ? 0.55 : 1}>
        <path
          d={section.body}
          stroke="var(--ink)"
          strokeWidth={section.bodyPlateMm + 0.02}
          data-edge="body"
        />
        <path d={section.body} stroke="var(--tin)" strokeWidth={section.bodyPlateMm} data-part="body" />
        <path
          d={section.cover}
          stroke="var(--ink)"
          strokeWidth={section.endPlateMm + 0.02}
          data-edge="cover"
        />
        <path d={section.cover} stroke="var(--copper)" strokeWidth={section.endPlateMm} data-part="cover" />
      </g>
      {[
        ...spread(beside, section, font),
        ...notes.filter((n) => n.part === "thickness").map((n) => ({ ...n, y: 0 })),
      ].map((n, i) => (
        <MarkLine
          key={n.part}
          mark={section.marks[n.part]}
          part={n.part}
          words={n.words}
          bad={n.bad}
          lane={i}
          lanes={beside.length}
          wordsY={n.y}
          font={font}
        />
      ))}
    </svg>
  );
}

/** Left of this, mm from the seam, the words of so many lengths begin. */
const textFrom = (lanes: number) => 0.16 + 0.28 * (Math.min(3, Math.max(1, lanes)) - 1) + 0.14;

interface Note {
  part: Part;
  words: string;
  bad: boolean;
}

/** Notes from the top down, each beside its length and none over another. */
function spread(notes: readonly Note[], section: SeamSection, font: number): (Note & { y: number })[] {
  const mid = (n: Note) => (section.marks[n.part].from.y + section.marks[n.part].to.y) / 2;
  let below = -Infinity;
  return [...notes]
    .sort((a, b) => mid(a) - mid(b))
    .map((n) => {
      const y = Math.max(mid(n), below);
      below = y + font * (n.bad ? 1.7 : 1.35);
      return { ...n, y };
    });
}

/** A length beside the drawing, with dashed lines to where it begins and ends. */
function MarkLine({
  mark,
  part,
  words,
  bad,
  lane,
  lanes,
  wordsY,
  font,
}: {
  mark: Mark;
  part: Part;
  words: string;
  bad: boolean;
  lane: number;
  lanes: number;
  wordsY: number;
  font: number;
}) {
  const ink = bad ? "var(--stop)" : "var(--ink)";
  const thin = { stroke: ink, strokeWidth: 1.5, vectorEffect: "non-scaling-stroke" as const };
  const flat = mark.from.y === mark.to.y;
  if (flat) {
    const y = -0.16;
    return (
      <g data-mark={part} data-length={(mark.to.x - mark.from.x).toFixed(4)}>
        <path
          d={`M${mark.from.x} ${y - 0.08} V${y + 0.12} M${mark.to.x} ${y - 0.08} V${y + 0.12} M${mark.from.x} ${y} H${mark.to.x}`}
          fill="none"
          {...thin}
          strokeWidth={bad ? 3 : 1.5}
        />
        <text
          x={mark.to.x + 0.08}
          y={y + font * 0.3}
          fontSize={font}
          fontWeight={700}
          fontFamily="var(--font-figure)"
          fill={ink}
        >
          {words}
        </text>
      </g>
    );
  }
  const x = -0.16 - 0.28 * (lane % 3);
  return (
    <g data-mark={part} data-length={Math.abs(mark.to.y - mark.from.y).toFixed(4)}>
      <path
        d={`M${x - 0.06} ${mark.from.y} H${mark.from.x} M${x - 0.06} ${mark.to.y} H${mark.to.x}`}
        fill="none"
        {...thin}
        strokeDasharray="5 4"
      />
      <path d={`M${x} ${mark.from.y} V${mark.to.y}`} fill="none" {...thin} strokeWidth={bad ? 4 : 2} />
      <text
        x={-textFrom(lanes)}
        y={wordsY}
        textAnchor="end"
        fontSize={font * (bad ? 1.25 : 1)}
        fontWeight={bad ? 800 : 600}
        fontFamily="var(--font-figure)"
        fill={ink}
      >
        {words}
      </text>
    </g>
  );
}
