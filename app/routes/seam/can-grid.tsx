import { Link } from "react-router";
import { isFitStage } from "#core/exhaust";
import { formatTemperature } from "#core/quantity";
import { EXHAUST_TEMP_C, shapeOf } from "#core/schedule";
import { TimeLeft } from "#ui/clock";
import { ContainerGlyph, patternOf } from "#ui/glyph";
import { Code } from "#ui/lotmark";
import { STAGE_WORDS } from "../../words/seam";
import type { Can, SeamData } from "./data";

/** Every can on the bench, those not at temperature plain to see: hatched under the mark, with their own degrees. */
export function CanGrid({ data }: { data: SeamData }) {
  return (
    <ol className="grid grid-cols-[repeat(auto-fill,minmax(6.4rem,1fr))] gap-x-3 gap-y-3">
      {data.cans.map((c) => (
        <li key={c.id}>
          <CanMark can={c} data={data} />
        </li>
      ))}
    </ol>
  );
}

const BODY =
  "flex w-full flex-col items-center rounded border-2 px-1 pt-1 pb-1 text-center leading-tight text-ink no-underline";

function CanMark({ can, data }: { can: Can; data: SeamData }) {
  const closed = isFitStage(can.stage);
  const now = data.next?.id === can.id;
  const inner = (
    <>
      <span className="relative">
        <ContainerGlyph
          shape={shapeOf(can.kind)}
          state={closed ? "lidded" : "filled"}
          contents={can.product === "can-fish" ? "fish" : "meat"}
          pattern={patternOf(can.packCode)}
          scale={0.66}
          label=""
        />
      </span>
      <Code>{can.code}</Code>
      <span className="fig text-[1.35rem] leading-none font-bold">
        {closed ? "✓" : can.tempC === null ? "–" : formatTemperature(can.tempC, data.units)}
      </span>
      <Thermo can={can} closed={closed} />
      <span className="min-h-[2.1em] text-[0.84rem]">
        {STAGE_WORDS[can.stage]}
        {can.stage === "hot" && (
          <>
            , <TimeLeft until={can.closeBy!} />
          </>
        )}
      </span>
    </>
  );
  return can.stage === "signed" ? (
    <div className={`${BODY} border-transparent`} data-stage={can.stage}>
      {inner}
    </div>
  ) : (
    <Link
      to={`?can=${can.code}`}
      preventScrollReset
      aria-current={now ? "true" : undefined}
      data-stage={can.stage}
      className={`${BODY} ${now ? "border-copper bg-sheet" : closed ? "border-transparent" : can.stage === "hot" ? "border-ink" : "border-rule"}`}
    >
      {inner}
    </Link>
  );
}

/** How far a can is from its temperature: a bar with the mark at its end, hatched while it is not enough. */
function Thermo({ can, closed }: { can: Can; closed: boolean }) {
  if (closed) return null;
  const part = Math.max(0, Math.min(1, (can.tempC ?? 0) / EXHAUST_TEMP_C));
  const enough = can.stage === "hot";
  return (
    <svg viewBox="0 0 84 10" className="my-[3px] h-[10px] w-[84px]" aria-hidden="true">
      <rect x="1" y="2" width="82" height="6" fill="url(#not-enough)" stroke="var(--ink)" strokeWidth="1.2" />
      <rect x="1" y="2" width={82 * part} height="6" fill={enough ? "var(--moss)" : "var(--steam)"} />
      <path d="M82 0 V10" stroke="var(--stop)" strokeWidth="3" />
    </svg>
  );
}
