/** How much script a browser fetches for the first page it opens, against the framework's own bare template. */
import { execFileSync } from "node:child_process";
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { gzipSync } from "node:zlib";
import { fillDemo } from "#demo/household";
import { filledIn, PAGES } from "./pages.ts";
import { startBuilt } from "./server.ts";

/** The smallest app of the framework: a root, and one page that says a word. */
const BARE: Record<string, string> = {
  "app/root.tsx": `import { Links, Meta, Outlet, Scripts, ScrollRestoration } from "react-router";
export function Layout({ children }) {
  return <html lang="en"><head><Meta /><Links /></head><body>{children}<ScrollRestoration /><Scripts /></body></html>;
}
export default function Root() { return <Outlet />; }
`,
  "app/routes.ts": `import { index } from "@react-router/dev/routes";
export default [index("home.tsx")];
`,
  "app/home.tsx": `export function loader() { return { word: "Hello" }; }
export default function Home({ loaderData }) { return <h1>{loaderData.word}</h1>; }
`,
  "react-router.config.ts": `export default { ssr: true };
`,
  "vite.config.ts": `import { reactRouter } from "@react-router/dev/vite";
export default { plugins: [reactRouter()] };
`,
  "package.json": `{ "type": "module", "private": true, "dependencies": { "@react-router/node": "*", "isbot": "*", "react-router": "*" } }
`,
};

export interface Size {
  raw: number;
  packed: number;
}

/** What the scripts named in a page weigh, bytes. */
export function sizeOf(html: string, client: string): Size {
  const names = new Set([...html.matchAll(/\/assets\/[\w.~-]+\.js/g)].map(([name]) => name));
  const files = [...names].map((name) => readFileSync(join(client, name)));
  return {
    raw: files.reduce((sum, f) => sum + f.length, 0),
    packed: files.reduce((sum, f) => sum + gzipSync(f).length, 0),
  };
}

export async function bareSize(): Promise<Size> {
  // Inside the project, so that its packages are found.
  mkdirSync("test-results", { recursive: true });
  const at = mkdtempSync(join("test-results", "bare-"));
  try {
    for (const [name, text] of Object.entries(BARE)) {
      mkdirSync(join(at, name, ".."), { recursive: true });
      writeFileSync(join(at, name), text);
    }
    execFileSync("npx", ["react-router", "build"], { cwd: at, stdio: "ignore" });
    const { createRequestHandler } = await import("react-router");
    const build = (await import(resolve(at, "build/server/index.js"))) as Parameters<
      typeof createRequestHandler
    >[0];
    const answer = await createRequestHandler(build, "production")(new Request("http://localhost/"));
    return sizeOf(await answer.text(), join(at, "build/client"));
  } finally {
    rmSync(at, { recursive: true, force: true });
  }
}

export async function scriptFigures(): Promise<[string, string][]> {
  const bare = await bareSize();
  const kB = (n: number) => `${(n / 1000).toFixed(0)} kB`;
  const lines: [string, string][] = [
    ["script of the framework's bare template", `${kB(bare.raw)}, ${kB(bare.packed)} packed`],
  ];
  const folder = mkdtempSync(join(tmpdir(), "larder-bench-"));
  fillDemo(folder, Date.now());
  const paths = PAGES.map((page) => filledIn(page, folder));
  const server = await startBuilt(folder);
  try {
    for (const [i, page] of PAGES.entries()) {
      const size = sizeOf(await (await fetch(server.url + paths[i]!)).text(), "build/client");
      lines.push([
        `script on first load of ${page}`,
        `${kB(size.raw)}, ${kB(size.packed)} packed, ${(size.packed / bare.packed).toFixed(2)} ×`,
      ]);
    }
  } finally {
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  }
  return lines;
}
