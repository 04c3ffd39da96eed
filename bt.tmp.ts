import { fillLifetime, traceFigures } from "./bench/lifetime.ts";
import { rmSync } from "node:fs";
for (const [runs, standing] of [[2000, 100000]] as const) {
  rmSync("/tmp/life", { recursive: true, force: true });
  console.time("fill"); fillLifetime("/tmp/life", runs, standing, Date.now()); console.timeEnd("fill");
  console.log(await traceFigures("/tmp/life"));
}
