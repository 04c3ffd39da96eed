import { formatFraction, formatMass, formatVolume, type UnitSystem, mmFromIn } from "#core/quantity";
import { scaleDish, divideDish, whyNotIn, type Dish, type DishAnswer } from "#core/recipe";
import {
  SHAPES,
  isCan,
  JAR_ROWS,
  shapeOf,
  scheduledProcess,
  type ContainerShape,
  type HouseholdRows,
} from "#core/schedule";
import { Notice } from "#ui/form";
import { ContainerGlyph } from "#ui/glyph";
import { jarPartWords } from "../../../words/pack";
import { SourceLine } from "../../help/source-line";

/** Why a dish goes by its row, or may not be canned; and what it makes in each size of jar. */
export function Answer({
  answer,
  dish,
  units,
  altitudeM,
  rows,
}: {
  answer: DishAnswer;
  dish: Dish;
  units: UnitSystem;
  altitudeM: number;
  rows: HouseholdRows;
}) {
  const unfinished = answer.refusals.every((r) => r.amountMissing);
  if (!answer.product)
    return (
      <Notice tone={unfinished ? "care" : "stop"}>
        <p className="text-[1.2rem] font-[650]">
          {unfinished ? "Some amounts are missing" : "This cannot be canned"}
        </p>
        <ul className="mt-1 space-y-2">
          {answer.refusals.map((r) => (
            <li key={r.reason}>
              <b>{r.reason}</b> {r.instead.join(" ")}
            </li>
          ))}
        </ul>
      </Notice>
    );
  const row = JAR_ROWS.find((r) => r.key === answer.product)!;
  return (
    <>
      <ul className="list-disc space-y-1 pl-5">
        {answer.each
          .filter((i) => i.pieces !== undefined)
          .map((i) => (
            <li key={`${i.pieces} ${i.name}`}>
              {formatFraction(i.pieces!)} {i.name}: counted as {formatMass(i.amount, units)}, at the usual
              weight.
            </li>
          ))}
        {answer.why.map((w) => (
          <li key={w}>{w}</li>
        ))}
      </ul>
      <SourceLine
        of={{ source: row.source, product: row.key, confirmation: rows[row.key]?.confirmation ?? undefined }}
      />
      <ul className="mt-4">
        {SHAPES.filter((s) => !isCan(s.key)).map((s) => (
          <Jar
            key={`${s.key} ${s.mouth}`}
            shape={s}
            answer={answer}
            dish={dish}
            units={units}
            altitudeM={altitudeM}
            rows={rows}
          />
        ))}
      </ul>
    </>
  );
}

/** What the dish makes in one size of jar, and what goes into each. */
function Jar({
  shape,
  answer,
  dish,
  units,
  altitudeM,
  rows,
}: {
  shape: ContainerShape;
  answer: DishAnswer;
  dish: Dish;
  units: UnitSystem;
  altitudeM: number;
  rows: HouseholdRows;
}) {
  const why = whyNotIn(answer, shape.key, rows);
  const row = JAR_ROWS.find((r) => r.key === answer.product)!;
  const schedule = scheduledProcess({
    product: row.key,
    pack: "hot",
    container: shape.key,
    gauge: "weighted",
    altitudeM,
    rows,
  });
  return (
    <li className="flex items-end gap-5 border-t-2 border-rule py-3">
      <ContainerGlyph
        shape={shapeOf(shape.key, shape.mouth)}
        state={why === null ? "filled" : "open"}
        contents="broth"
        headspaceMm={mmFromIn(row.headspaceIn)}
        scale={0.42}
        label=""
      />
      {why !== null || schedule.outcome === "none" ? (
        <p className="self-center text-soft">{why ?? (schedule.outcome === "none" && schedule.reason)}</p>
      ) : (
        <Share shape={shape} answer={answer} dish={dish} units={units} minutes={schedule.minutes} />
      )}
    </li>
  );
}

function Share({
  shape,
  answer,
  dish,
  units,
  minutes,
}: {
  shape: ContainerShape;
  answer: DishAnswer;
  dish: Dish;
  units: UnitSystem;
  minutes: number;
}) {
  const share = divideDish(dish, answer, shape.key, shape.mouth);
  const full = scaleDish(dish, answer.each, shape.key, shape.mouth, share.jars + 1);
  return (
    <div className="self-center">
      <span className="fig text-[2rem] leading-none font-bold">{share.jars}</span>{" "}
      <b>{share.jars === 1 ? shape.name : shape.plural}</b>, {minutes} min at pressure
      <p>
        Into each: {formatMass(share.solidsKgEach, units)} of solids ({Math.round(share.solidsPart * 100)} %
        of the way up), then {formatVolume(share.liquidLitresEach, units)} of liquid.
        {share.addLiquidLitres > 0.05 && (
          <b> Add {formatVolume(share.addLiquidLitres, units)} of broth or water to the pot first.</b>
        )}
      </p>
      <p className="text-[0.95rem] text-soft">
        {share.leftLitres > 0.02 ? `${formatVolume(share.leftLitres, units)} left over: eat it. ` : ""}
        For {share.jars + 1}:{" "}
        {full
          .map((i, at) => `${jarPartWords({ ...i, role: answer.each[at]!.role }, units)} ${i.name}`.trim())
          .join(", ")}
        .
      </p>
    </div>
  );
}
