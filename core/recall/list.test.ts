import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { codeFor } from "../code/index.ts";
import { listText, readList, signedListText, type RecallList } from "./list.ts";

const line = fc
  .string({ unit: "grapheme", maxLength: 60 })
  .map((text) => `x ${text}`.replaceAll(/\s+/g, " ").trim());
const lists: fc.Arbitrary<RecallList> = fc.record({
  household: line,
  publicKey: fc.constant("MCowBQYDK2VwAyEAGb9ECWmEzf6FQbrBZ9w7lshQhqowtrbLDFw4rXAxZuE="),
  at: fc.integer({ min: 0, max: 4_000_000_000 }).map((s) => s * 1000),
  recalled: fc
    .uniqueArray(fc.integer({ min: 0, max: 200_000 }), { maxLength: 30 })
    .chain((ns) =>
      fc.tuple(
        ...ns.map((n) =>
          fc.record({ code: fc.constant(codeFor(n)), day: fc.constant("2026-11-20"), reason: line }),
        ),
      ),
    ),
});

const byCode = (list: RecallList) => ({
  ...list,
  recalled: [...list.recalled].sort((a, b) => (a.code < b.code ? -1 : 1)),
});

describe("A list of what is recalled", () => {
  it("comes back from its text as it was, whatever names and reasons hold", () =>
    fc.assert(
      fc.property(lists, (list) => {
        const read = readList(signedListText(list, "c2ln"));
        expect(read).toEqual({ list: byCode(list), text: listText(list), signature: "c2ln" });
      }),
    ));

  it("is the same however a message indents and breaks around its lines", () =>
    fc.assert(
      fc.property(lists, fc.constantFrom("\r\n", "\n\n", "\n   "), (list, between) => {
        const sent = `Hello!\n${signedListText(list, "c2ln").replaceAll("\n", between)}\nBye`;
        expect(readList(sent)?.text).toBe(listText(list));
      }),
    ));

  it("is no list once a line is missing", () =>
    fc.assert(
      fc.property(lists, fc.nat(), (list, n) => {
        const lines = signedListText(list, "c2ln").trim().split("\n").filter(Boolean);
        lines.splice(n % lines.length, 1);
        expect(readList(lines.join("\n"))).toBeNull();
      }),
    ));

  it("is no list when it is something else, or far too long", () => {
    for (const text of [
      "",
      "hello",
      "Recall list, version 1",
      "Recall list, version 2\nFrom: x",
      "x".repeat(500_000),
    ])
      expect(readList(text)).toBeNull();
  });
});
