import fc from "fast-check";
import { expect, test } from "vitest";
import { ownPath } from "./own-path";

test("a path of our own is gone back to as it is", () => {
  for (const path of ["/", "/fire/AB-C?x=1#log", "/c/DVB-2", "/cold?sort=age"])
    expect(ownPath(path)).toBe(path);
});

test("an address elsewhere is none, however it is written", () => {
  for (const path of [
    null,
    "",
    "fire",
    "http://evil.example",
    "//evil.example",
    "/\t/evil.example",
    "/\n/evil.example",
    "/\r\n/evil.example",
    "/\\evil.example",
    "\\/evil.example",
    "/.//evil.example",
    "/x/..//evil.example",
    "/\u0000/evil.example",
    "/enter?back=/enter",
  ])
    expect(ownPath(path), JSON.stringify(path)).toBe("/");
});

test("whatever it is given, a browser that follows it stays here", () =>
  fc.assert(
    fc.property(
      fc.oneof(
        fc.string(),
        fc.string().map((s) => `/${s}`),
        fc.webUrl(),
      ),
      (path) => {
        const back = ownPath(path);
        expect(new URL(back, "http://here.example").origin).toBe("http://here.example");
        expect(back).toMatch(/^\/(?!\/)[\x21-\x7e]*$/);
      },
    ),
    { numRuns: 1000 },
  ));
