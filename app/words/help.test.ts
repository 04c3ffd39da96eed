import { expect, test } from "vitest";
import routes from "../routes";
import { HELP } from "./help";

interface Route {
  path?: string;
  index?: boolean;
  children?: Route[];
}

/** Whether the program has a page at an address. */
function isPage(address: string): boolean {
  const paths = (list: readonly Route[]): string[] =>
    list.flatMap((r) => [r.index ? "" : (r.path ?? ""), ...paths(r.children ?? [])]);
  const asked = address.replace(/^\//, "").split("/");
  return paths(routes as Route[]).some((path) => {
    const parts = path.split("/");
    return parts.length === asked.length && parts.every((p, i) => p.startsWith(":") || p === asked[i]);
  });
}

test.each(HELP.map((h) => [h.key, h] as const))(
  "help on %s says who says so, and leads somewhere",
  (_key, page) => {
    expect(HELP.filter((h) => h.key === page.key)).toHaveLength(1);
    // A figure without its source is no help.
    const figures = page.text.some((t) => /\d|\b(ten|twelve|half|two|five)\b/.test(t));
    if (figures) expect(page.source).toMatch(/USDA|CFR|common practice, no source/);
    if (page.source?.includes("USDA")) expect(page.source).toContain("from memory");
    expect(page.see.length).toBeGreaterThan(0);
    for (const [name, to] of page.see) {
      expect(name).toMatch(/^[A-Z]/);
      expect(isPage(to), to).toBe(true);
      const help = /^\/help\/(.*)/.exec(to)?.[1];
      if (help) expect(HELP.map((h) => h.key)).toContain(help);
    }
    for (const t of page.text) expect(t).toMatch(/[.”]$/);
  },
);

test("the dangers are cautions, and none tells anybody to taste", () => {
  const cautions = HELP.flatMap((h) => h.text).filter((t) => t.startsWith("! "));
  expect(cautions.length).toBeGreaterThan(7);
  const all = cautions.join(" ");
  for (const danger of ["tasted", "Steam burns", "tested process", "trichinella", "chronic wasting"])
    expect(all).toContain(danger);
  expect(HELP.flatMap((h) => h.text).join(" ")).not.toMatch(/taste (a|it) (little|first)|boil to be sure/i);
});
