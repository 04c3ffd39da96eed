// @ts-check
/** Solves integer programmes beside the server, so that a hard one never keeps a running canner's clock waiting. */
import highsLoader from "highs";
import { parentPort } from "node:worker_threads";

let highs = await highsLoader();

parentPort?.on("message", async ({ id, lp, options }) => {
  try {
    const { Status, Columns } = highs.solve(lp, options);
    parentPort?.postMessage({ id, answer: { Status, Columns } });
  } catch (error) {
    // After a crash inside it the module is not to be trusted: the next programme gets a new one.
    highs = await highsLoader();
    parentPort?.postMessage({ id, error: String(error) });
  }
});
