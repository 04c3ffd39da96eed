import { readFileSync } from "node:fs";
import { expect, test } from "vitest";

const { scripts } = JSON.parse(readFileSync("package.json", "utf8")) as { scripts: Record<string, string> };

test("no script needs a shell of one system: no variables set or read, no pipes, no quotes", () => {
  for (const [name, line] of Object.entries(scripts)) {
    for (const command of line.split(" && ")) {
      expect(command, name).not.toMatch(/[$|;<>'"`*~]|(^|\s)[A-Z_]+=|&/);
      // What is started is a program that every system has under this name.
      expect(command, name).toMatch(
        /^(node|npm|tsx|vitest|playwright|eslint|prettier|tsc|react-router|drizzle-kit)\b/,
      );
    }
  }
});
