import { ESLint } from "eslint";
import { describe, expect, test } from "vitest";

const lint = new ESLint();
const refusedIn = async (filePath: string, code: string) => {
  const [result] = await lint.lintText(code, { filePath });
  return (
    result!.messages.filter(
      (m) => m.ruleId === "no-restricted-imports" || m.ruleId === "no-restricted-syntax",
    ).length > 0
  );
};

describe("the linter holds the arrows between the rooms", () => {
  test.each([
    ["core/run/x.ts", `import { openLarder } from "#store/db"; openLarder("");`],
    ["core/run/x.ts", `import { readFileSync } from "node:fs"; readFileSync("");`],
    ["core/run/x.ts", `import { Button } from "../../app/ui/button"; Button({});`],
    ["core/run/x.ts", `import { useState } from "react"; useState(0);`],
    ["core/run/x.ts", `export const t = () => Date.now();`],
    ["core/run/x.ts", `export const r = () => Math.random();`],
    ["core/run/x.ts", `export const d = () => new Date();`],
    ["store/run/x.ts", `import { Button } from "#ui/button"; Button({});`],
    ["store/run/x.ts", `import { runAt } from "../../core/run/fold"; runAt();`],
    ["app/routes/x.tsx", `import { eq } from "drizzle-orm"; eq(1, 2);`],
    ["app/routes/x.tsx", `import { runAt } from "../../core/run/fold"; runAt();`],
    ["app/routes/x.tsx", `import { fillDemo } from "#demo/household"; fillDemo("", 0);`],
  ])("%s may not: %s", async (file, code) => expect(await refusedIn(file, code)).toBe(true));

  test.each([
    ["store/run/x.ts", `import { runAt } from "#core/run"; runAt();`],
    ["app/routes/x.tsx", `import { getRun } from "#store/run"; getRun();`],
    ["core/run/x.ts", `import { psiFromKPa } from "../quantity/index.ts"; psiFromKPa(1);`],
  ])("%s may: %s", async (file, code) => expect(await refusedIn(file, code)).toBe(false));
});
