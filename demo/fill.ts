/** Fills the demo's own folder when it is empty. Called by `npm run demo`, never for a user's larder. */
import { resolve } from "node:path";
import { fillDemo } from "./household/index.ts";

const folder = resolve(process.env.LARDER_DATA ?? ".demo-larder");
if (fillDemo(folder, Date.now()))
  process.stdout.write("The made-up household of two cousins has moved in.\n");
