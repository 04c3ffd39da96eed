import "fake-indexeddb/auto";
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { openOutbox } from "./index";

let next = 0;
const fresh = () => openOutbox<{ id: string; said: number }>(`/fire/T-${next++}/taps`);

describe("what was said and is not delivered yet", () => {
  test("waits in the order it was said, and goes when it is done", async () => {
    const box = fresh();
    for (const said of [1, 2, 3]) await box.keep({ id: `t${said}`, said });
    expect((await box.waiting()).map((t) => t.said)).toEqual([1, 2, 3]);
    await box.done(["t1", "t3"]);
    expect((await box.waiting()).map((t) => t.said)).toEqual([2]);
  });
  test("is there for a page that is opened later, and only for its own run", async () => {
    const to = `/fire/T-${next++}/taps`;
    await openOutbox(to).keep({ id: "a" });
    expect(await openOutbox(to).waiting()).toEqual([{ id: "a" }]);
    expect(await fresh().waiting()).toEqual([]);
  });
  test("whatever is said and delivered in turns: nothing is lost, doubled or out of order", () =>
    fc.assert(
      fc.asyncProperty(
        fc.array(fc.oneof(fc.constant("say"), fc.nat(3)), { maxLength: 30 }),
        async (deeds) => {
          const box = fresh();
          let said = 0;
          const delivered: number[] = [];
          for (const deed of deeds) {
            if (deed === "say") await box.keep({ id: `t${said}`, said: said++ });
            else {
              const some = (await box.waiting()).slice(0, deed as number);
              delivered.push(...some.map((t) => t.said));
              await box.done(some.map((t) => t.id));
            }
          }
          const all = [...delivered, ...(await box.waiting()).map((t) => t.said)];
          expect(all).toEqual(Array.from({ length: said }, (_, i) => i));
        },
      ),
      { numRuns: 40 },
    ));
});

test("what the browser will not keep lasts as long as the page", async () => {
  const box = openOutbox<{ id: string; made: () => void }>("/fire/private/taps");
  // A function cannot be put on the shelf: the write fails as it does where a browser keeps nothing.
  await box.keep({ id: "x", made: () => undefined });
  expect((await box.waiting()).map((t) => t.id)).toEqual(["x"]);
  await box.done(["x"]);
  expect(await box.waiting()).toEqual([]);
});
