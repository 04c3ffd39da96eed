import routes from "../app/routes";

interface Node {
  path?: string;
  index?: boolean;
  children?: Node[];
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
