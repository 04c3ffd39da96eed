import { ESLint } from "eslint";
import { expect, test } from "vitest";

// What an effect returns is called as its clean-up: a browser whose scrollIntoView answers with a promise made a page fall.
test("the linter refuses an effect that returns what is no clean-up", { timeout: 60_000 }, async () => {
  const eslint = new ESLint();
  const told = async (effect: string) => {
    const text = `import { useEffect } from "react";\nexport function X({ f }: { f: () => () => void }) {\n  useEffect(${effect}, [f]);\n  return null;\n}\n`;
    const [result] = await eslint.lintText(text, { filePath: "app/ui/button/x.tsx" });
    return result!.messages.map((m) => m.message).join(" ");
  };
  expect(await told("() => f()")).toMatch(/block for a body/);
  expect(await told("async () => {\n    f();\n  }")).toMatch(/not async/);
  expect(await told("() => {\n    return f();\n  }")).toMatch(/not what a call answers/);
  expect(await told("() => {\n    const stop = f();\n    return stop;\n  }")).toBe("");
});
