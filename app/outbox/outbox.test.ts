import "fake-indexeddb/auto";
import fc from "fast-check";
import { deleteDB, openDB } from "idb";
import { beforeEach, describe, expect, test } from "vitest";
import { alone, amend, entries, onEntries, putDown, takeOff, wouldBeLost, type Entry } from "./entries";
import { outcomeOf } from "./sender";
import { watchUnsent } from "./unsent";

const entry = (id: string, more: Partial<Entry> = {}): Entry => ({
  id,
  kind: "tap",
  path: "/fire/T-1/taps",
  body: "{}",
  press: { at: 1, wall: 1 },
  label: id,
  heldUntil: 0,
  refused: null,
  failures: 0,
  ...more,
});
const ids = async () => (await entries()).map((e) => e.id);

beforeEach(async () => takeOff(await ids()));

describe("what was pressed and is not with the larder yet", () => {
  test("waits in the order it was pressed, and goes when it is taken", async () => {
    for (const id of ["a", "b", "c"]) await putDown(entry(id));
    expect(await ids()).toEqual(["a", "b", "c"]);
    await takeOff(["a", "c"]);
    expect(await ids()).toEqual(["b"]);
  });
  test("is changed where it stands, and nothing comes of changing what is gone", async () => {
    for (const id of ["a", "b"]) await putDown(entry(id));
    await amend("a", { refused: "no" });
    await amend("gone", { refused: "no" });
    expect((await entries()).map((e) => [e.id, e.refused])).toEqual([
      ["a", "no"],
      ["b", null],
    ]);
  });
  test("whatever is pressed and taken in turns: nothing is lost, doubled or out of order", () =>
    fc.assert(
      fc.asyncProperty(
        fc.array(fc.oneof(fc.constant("press"), fc.nat(3)), { maxLength: 30 }),
        async (deeds) => {
          await takeOff(await ids());
          let pressed = 0;
          const taken: string[] = [];
          for (const deed of deeds) {
            if (deed === "press") await putDown(entry(String(pressed++)));
            else {
              const some = (await ids()).slice(0, deed as number);
              taken.push(...some);
              await takeOff(some);
            }
          }
          expect([...taken, ...(await ids())]).toEqual(Array.from({ length: pressed }, (_, i) => String(i)));
        },
      ),
      { numRuns: 40 },
    ));
  test("is kept where a later page finds it, also after the browser closed the database", async () => {
    await putDown(entry("before"));
    // Whoever deletes it makes every page let go of it, as a newer program and a browser short of room do.
    await deleteDB("larder-outbox");
    await putDown(entry("after"));
    const later = await openDB("larder-outbox");
    expect((await later.getAll("entry")).map((e: Entry) => e.id)).toEqual(["after"]);
    later.close();
    expect(wouldBeLost()).toBe(false);
  });
  test("what the browser will not keep lasts as long as the page", async () => {
    // A function cannot be written down: the write fails as it does where a browser keeps nothing.
    await putDown(entry("private", { body: (() => "") as unknown as string }));
    expect(await ids()).toEqual(["private"]);
    expect(wouldBeLost()).toBe(true);
    await amend("private", { refused: "no" });
    expect((await entries())[0]!.refused).toBe("no");
    await takeOff(["private"]);
    expect(await ids()).toEqual([]);
  });
});

describe("how many wait", () => {
  test("a press counts from the press on, whatever was being listed when it was made", async () => {
    const told: number[] = [];
    const stop = watchUnsent((n) => told.push(n));
    await putDown(entry("first"));
    await expect.poll(() => told.at(-1)).toBe(1);
    // The first is taken, and the second is pressed while what is left is being listed.
    let down: Promise<void> | null = null;
    const stopPress = onEntries(() => {
      if (down) return;
      told.length = 0;
      down = putDown(entry("second"));
    });
    await takeOff(["first"]);
    stopPress();
    await down;
    await expect.poll(() => told.at(-1)).toBe(1);
    expect(told).not.toContain(0);
    await takeOff(["second"]);
    await expect.poll(() => told.at(-1)).toBe(0);
    stop();
  });
  test("what is refused waits for a person and is not counted", async () => {
    let told = -1;
    const stop = watchUnsent((n) => (told = n));
    await putDown(entry("a"));
    await amend("a", { refused: "no" });
    await expect.poll(() => told).toBe(0);
    stop();
  });
});

describe("one page of a browser at a time", () => {
  // Node has no locks of a browser: the lease is what plain http has.
  test("another is told that somebody is at it, and may when that one is done", async () => {
    const order: string[] = [];
    let end!: () => void;
    const first = alone("x", async () => {
      order.push("first");
      await new Promise<void>((done) => (end = done));
    });
    await expect.poll(() => order).toEqual(["first"]);
    end();
    expect(await first).toBe(true);
    expect(await alone("x", async () => void order.push("second"))).toBe(true);
    expect(order).toEqual(["first", "second"]);
  });
});

describe("what an answer means", () => {
  test.each([
    ["taken: it says so", 200, true, "taken"],
    ["a page that says nothing of it", 200, false, "refused"],
    ["a redirect is no acknowledgement", 302, false, "not-now"],
    ["a redirect that may not be looked at", 0, false, "not-now"],
    ["nobody is signed in", 401, false, "not-now"],
    ["too many", 429, false, "not-now"],
    ["in trouble", 503, false, "not-now"],
    ["cannot be", 422, false, "refused"],
    ["was used for something else", 409, false, "refused"],
  ] as const)("%s", (_, status, taken, kind) =>
    expect(outcomeOf(status, taken, null, "why").kind).toBe(kind),
  );
  test("it waits as long as it is told to, and asks to sign in where that is missing", () => {
    expect(outcomeOf(429, false, "17", "")).toMatchObject({ afterMs: 17_000, signIn: false, failed: false });
    expect(outcomeOf(401, false, null, "")).toMatchObject({ afterMs: null, signIn: true });
    expect(outcomeOf(500, false, null, "")).toMatchObject({ failed: true });
  });
});
