import { launchChromium } from "./chromium.ts";
import { readFileSync } from "node:fs";
const src = readFileSync(new URL("./words.ts", import.meta.url), "utf8");
const READ = src.match(/const READ = `([\s\S]*?)`;/)![1].replaceAll("\\\\", "\\");
const browser = await launchChromium();
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const [url, ...paths] = process.argv.slice(2);
const n = (t: string) => (t.match(/[\p{L}\p{N}][\p{L}\p{N}'’°½¼¾⅛]*/gu) ?? []).length;
for (const p of paths) {
  await page.goto(url + p, { waitUntil: "load" });
  await page.waitForTimeout(900);
  const blocks = (await page.evaluate(READ)) as string[];
  console.log(`##### ${p} ${blocks.reduce((a, b) => a + n(b), 0)}`);
  if (!process.env.SUM) for (const b of blocks) console.log(`${n(b)}\t${b}`);
}
await browser.close();
