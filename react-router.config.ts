import type { Config } from "@react-router/dev/config";

export default {
  appDirectory: "app",
  ssr: true,
  // All routes are known from the start: without a network there is nobody to ask for the next one.
  routeDiscovery: { mode: "initial" },
  future: { v8_middleware: true },
} satisfies Config;
