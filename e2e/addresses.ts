import routes from "../app/routes";

interface Node {
  file?: string;
  path?: string;
  index?: boolean;
  children?: Node[];
}

/** Every page by its route, with an address of it: those in the shell, and those that have the whole screen. */
export function pageRoutes(): { id: string; address: string; inShell: boolean }[] {
  const pages: { id: string; address: string; inShell: boolean }[] = [];
  const walk = (nodes: readonly Node[], around: string) => {
    for (const { file = "", path = "", children } of nodes)
      if (children) walk(children, around + file);
      // What answers with data stands in no frame of a page.
      else if (/shell\/(layout|bare)\.tsx/.test(around) && path !== "*")
        pages.push({
          id: file.replace(/\.tsx$/, ""),
          address: `/${path.replace(/:(\w+)/g, "any")}`,
          inShell: around.includes("shell/layout.tsx"),
        });
  };
  walk(routes as Node[], "");
  return pages;
}

/** Every address there is, as the router knows them, with what stands for its parts filled in. */
export function addresses(code: string): string[] {
  const found: string[] = [];
  const walk = (nodes: readonly Node[], before: string) => {
    for (const node of nodes) {
      const path = [before, node.path].filter(Boolean).join("/");
      if (node.children) walk(node.children, path);
      else found.push(`/${path.replace("*", "nowhere").replace(/:(\w+)/g, code)}`.replace(/^\/+/, "/"));
    }
  };
  walk(routes as Node[], "");
  return [...new Set(found)];
}
