import { useState } from "react";
import type { Writing } from "#core/quantity";
import { readScale, scaleLine, scaleToJars, type Dish, type Scale } from "#core/recipe";
import { SHAPES, isCan, type HouseholdRows } from "#core/schedule";
import { Button } from "#ui/button";
import { FieldError } from "#ui/form";

/** The lines of a dish made larger or smaller; null where the scale names no jar this dish goes into. */
export function scaled(
  lines: readonly string[],
  scale: Scale,
  dish: Dish,
  writing: Writing,
  rows: HouseholdRows,
): string[] | null {
  if ("factor" in scale) return lines.map((line) => scaleLine(line, scale.factor, writing));
  const shape = SHAPES.find((s) => !isCan(s.key) && [s.name, s.plural].includes(scale.of));
  return shape
    ? scaleToJars(lines, dish, scale.jars, { container: shape.key, mouth: shape.mouth }, writing, rows)
    : null;
}

/** Makes a dish larger or smaller, by a factor or to a number of jars. */
export function ScaleIt({
  onScale,
  writing,
}: {
  /** changes the lines; false where they cannot be made so */
  onScale: (scale: Scale) => boolean;
  writing: Writing;
}) {
  const [typed, setTyped] = useState("");
  const [wrong, setWrong] = useState(false);
  const scale = () => {
    const read = readScale(typed, writing);
    const done = read !== null && onScale(read);
    setWrong(!done);
    if (done) setTyped("");
  };
  return (
    <div className="flex flex-wrap items-end gap-3">
      <label className="min-w-[11rem] flex-1">
        <span className="block font-[650]">Scale the recipe</span>
        <span className="block text-[0.92rem] text-soft">Examples: ½, 2, for 10 pints</span>
        <input
          type="text"
          value={typed}
          autoComplete="off"
          onChange={(e) => setTyped(e.target.value)}
          onKeyDown={(e) => {
            // It is its own small form inside the recipe's, and keeps nothing.
            if (e.key !== "Enter") return;
            e.preventDefault();
            scale();
          }}
          aria-invalid={wrong ? true : undefined}
          aria-describedby={wrong ? "scale-problem" : undefined}
          className="input mt-1"
        />
      </label>
      <Button type="button" onClick={scale}>
        Scale recipe
      </Button>
      {wrong && (
        <FieldError
          id="scale-problem"
          errors={["Write a number like ½ or 2, or jars this dish goes into, like 10 pints."]}
        />
      )}
    </div>
  );
}
