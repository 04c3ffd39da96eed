import { describe, expect, test } from "vitest";
import { activeRuns } from "#store/run";
import { openTestRun, packPints, tap, testLarder } from "#store/testing";
import { ChangesMade } from "./changes.server";

describe("what was done in a larder", () => {
  test("is counted from the activity log, with whom, what and which", () => {
    const t = testLarder();
    const made = new ChangesMade(t.larder);
    const upTo = () => made.upTo(activeRuns(t.larder));
    const before = upTo();
    expect(upTo()).toEqual(before);
    const pack = packPints(t, 2);
    const after = upTo();
    expect(after.n).toBeGreaterThan(before.n);
    expect(after.of).toBe(before.of);
    expect(made.last.at(-1)).toMatchObject({ area: "pack", n: after.n });
    expect(made.last.at(-1)!.words).toMatch(new RegExp(`^\\S+ packed ${pack.code}$`));
  });

  test("is counted when a run goes from one stage to the next, and not for another look at the same one", () => {
    const t = testLarder();
    const run = openTestRun(t, [packPints(t, 2).id]);
    const made = new ChangesMade(t.larder);
    const upTo = () => made.upTo(activeRuns(t.larder)).n;
    const before = upTo();
    tap(t, run.id, "heat-on");
    expect(upTo()).toBe(before);
    tap(t, run.id, "steam-steady");
    expect(upTo()).toBe(before + 1);
    expect(made.last.at(-1)).toMatchObject({
      area: "run",
      words: expect.stringMatching(/: Venting$/) as string,
    });
  });

  test("of very many only the last are told one by one, and none is lost from the count", () => {
    const t = testLarder();
    const made = new ChangesMade(t.larder);
    for (let i = 0; i < 40; i++) made.add("can", `temperature ${i}`);
    expect(made.last).toHaveLength(24);
    expect(made.last.at(-1)).toEqual({ n: 40, area: "can", words: "temperature 39" });
    expect(made.last[0]!.n).toBe(17);
  });
});
