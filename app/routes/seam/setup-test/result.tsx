import { useEffect, useRef } from "react";
import { href, Link } from "react-router";
import { ADVICE_AFTER, DIMENSION_NAMES, type Judged } from "#core/seam";
import type { UnitSystem } from "#core/quantity";
import { Button } from "#ui/button";
import { Notice } from "#ui/form";
import { figureWords, sheetWords } from "../../../words/seam";

export interface SetUpResult {
  passed: boolean;
  judged: Judged[];
  advice: string[];
}

/** What the test came to: go on, or what to do about it. */
export function SetUpResult({ done, units }: { done: SetUpResult; units: UnitSystem }) {
  const box = useRef<HTMLDivElement>(null);
  // The button stands under a long sheet: what it answered comes into sight.
  useEffect(() => {
    // Some browsers answer with a promise, which would be taken for this effect's clean-up.
    void box.current?.scrollIntoView({ block: "center" });
  }, [done]);
  return (
    <div ref={box}>
      <Verdict done={done} units={units} />
    </div>
  );
}

function Verdict({ done, units }: { done: SetUpResult; units: UnitSystem }) {
  if (done.passed)
    return (
      <Notice tone="good" className="mb-6">
        <p className="text-[1.4rem] font-[650]">
          The sealer passed. Close cans. {done.judged.length > 0 ? sheetWords(done.judged) : "By eye."}
        </p>
        <Button asChild weight="do" className="mt-2">
          <Link to={href("/seam")}>To the cans</Link>
        </Button>
      </Notice>
    );
  return (
    <Notice tone="stop" className="mb-6">
      <p className="text-[1.4rem] font-[650]">
        {done.judged.length > 0
          ? sheetWords(done.judged)
          : "The empty cans were not right. Do not close cans with this setup."}
      </p>
      <ul className="list-disc pl-5 text-ink">
        {done.judged
          .filter((j) => j.out !== null)
          .map((j) => (
            <li key={j.dimension}>
              {DIMENSION_NAMES[j.dimension]} {figureWords(j.dimension, j.worst!, units)} at place{" "}
              {j.position! + 1}: too {j.out === "low" ? "small" : "large"}.
            </li>
          ))}
      </ul>
      {done.advice.length > 0 && (
        <p className="mt-2 max-w-[52rem] text-ink">
          {done.advice.join(" ")} {ADVICE_AFTER} <span className="text-soft">(Common practice.)</span>
        </p>
      )}
    </Notice>
  );
}
