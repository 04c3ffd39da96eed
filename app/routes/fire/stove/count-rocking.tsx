import { useState } from "react";
import { MINUTE_MS, countOf } from "#core/quantity";
import { Button } from "#ui/button";
import { AskDialog } from "#ui/dialog";
import type { Tools } from "./data";

/** Counted for less than this, it tells nothing, ms. */
const LEAST_MS = 20_000;

/** Counting the weight: a tap each time it rocks. What counts is how often in a minute; none at all is quiet. */
export function CountRocking({ view, say }: Pick<Tools, "view" | "say">) {
  const [since, setSince] = useState<number | null>(null);
  const [count, setCount] = useState(0);
  const passed = since === null ? 0 : view.now - since;
  const done = () => {
    const perMinute = Math.round((count * MINUTE_MS) / Math.max(passed, 1));
    if (say({ type: "jiggles", perMinute })) setSince(null);
  };
  return (
    <AskDialog
      trigger={
        <Button type="button" weight="bare" className="!px-1">
          Count the rocking
        </Button>
      }
      title="Tap each time it rocks"
      open={since !== null}
      onOpenChange={(open) => {
        setSince(open ? view.now : null);
        setCount(0);
      }}
    >
      <Button type="button" size="stove" weight="do" className="w-full" onClick={() => setCount(count + 1)}>
        {countOf(count, "time")} in {Math.floor(passed / 1000)} s
      </Button>
      <p className="my-3 text-soft">
        A minute is best, {LEAST_MS / 1000} s at least. Silence is below target.
      </p>
      <Button type="button" disabled={passed < LEAST_MS} onClick={done}>
        Record count
      </Button>
    </AskDialog>
  );
}
