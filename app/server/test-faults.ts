import type { ServerBuild } from "react-router";

const failing = new Set<string>();

/** From now on the loaders of these routes throw, and no others. @param ids such as `routes/table/route` */
export function failLoadersOf(ids: readonly string[]): void {
  failing.clear();
  for (const id of ids) failing.add(id);
}

/** For tests: returns the pages with loaders that can be told to throw, as a defect in them would. */
export function withFaults(build: ServerBuild): ServerBuild {
  const routes = Object.entries(build.routes).map(([id, route]) => {
    const loader = route?.module.loader;
    if (!route || !loader) return [id, route] as const;
    const faulty: typeof loader = (args) => {
      if (!failing.has(id)) return loader(args);
      const error = new Error(`The loader of ${id} was told to fail.`);
      // It is expected: one line in the log is enough.
      error.stack = error.message;
      throw error;
    };
    return [id, { ...route, module: { ...route.module, loader: faulty } }] as const;
  });
  return { ...build, routes: Object.fromEntries(routes) };
}
