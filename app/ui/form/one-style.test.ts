import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import ts from "typescript";
import { expect, test } from "vitest";

/** The fields of a file that draw a border of their own. */
function ownBorders(file: string): string[] {
  const source = ts.createSourceFile(file, readFileSync(file, "utf8"), ts.ScriptTarget.Latest, true);
  const found: string[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isJsxSelfClosingElement(node) || ts.isJsxOpeningElement(node)) {
      const text = node.getText(source);
      const isField = /^(input|select|textarea)$/.test(node.tagName.getText(source));
      // A tick, a file and what is drawn over something else are no boxes to type in.
      if (isField && /\bborder-2\b/.test(text) && !/type="(checkbox|radio|file|range)"/.test(text))
        found.push(`${file}: ${text.replace(/\s+/g, " ").slice(0, 120)}`);
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

test("every field looks like the others: its look is the class “input”, and nowhere else", () => {
  const files = readdirSync("app", { recursive: true, encoding: "utf8" }).filter((f) => f.endsWith(".tsx"));
  expect(files.length).toBeGreaterThan(200);
  expect(files.flatMap((f) => ownBorders(join("app", f)))).toEqual([]);
});
