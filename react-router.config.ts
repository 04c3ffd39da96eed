import type { Config } from "@react-router/dev/config";
import { buildOffline } from "./app/workers/offline/build";
import { buildRecallCheck } from "./app/workers/recall-check/build";

export default {
  appDirectory: "app",
  ssr: true,
  // All routes are known from the start: without a network there is nobody to ask for the next one.
  routeDiscovery: { mode: "initial" },
  future: { v8_middleware: true },
  buildEnd: async ({ reactRouterConfig }) => {
    const client = `${reactRouterConfig.buildDirectory}/client`;
    await buildRecallCheck(client);
    await buildOffline(client);
  },
} satisfies Config;
