import { href, Link } from "react-router";
import type { Route } from "./+types/route";
import { describeInterface, type Operation } from "../../api/description";
import { Button } from "#ui/button";
import { Page } from "#ui/page";
import type { FollowHandle } from "../../../live/follow";

export function loader() {
  const { info, paths } = describeInterface();
  return {
    version: info.version,
    about: info.description,
    ways: Object.entries(paths).flatMap(([path, methods]) =>
      Object.entries(methods).map(([method, o]) => ({ path, method: method.toUpperCase(), ...o })),
    ),
  };
}

/** The address as a program would call it, with the example's body. */
function exampleOf(path: string, method: string, o: Operation): string {
  const query = o.parameters
    ?.filter((p) => p.in === "query" && p.example !== undefined)
    .map((p) => `${p.name}=${encodeURIComponent(String(p.example))}`)
    .join("&");
  const at = path.replace(/\{(\w+)\}/g, (_, name: string) =>
    String(o.parameters?.find((p) => p.name === name)?.example ?? name),
  );
  const body = o.requestBody?.content["application/json"]?.example;
  return [
    `curl ${method === "POST" ? "-X POST " : ""}'http://127.0.0.1:4310${at}${query ? `?${query}` : ""}'`,
    "  -H 'Authorization: Bearer lard_…'",
    ...(body ? ["  -H 'Content-Type: application/json'", `  -d '${JSON.stringify(body)}'`] : []),
  ].join(" \\\n");
}

export const handle: FollowHandle = { shows: [] };

export default function Interface({ loaderData }: Route.ComponentProps) {
  const { version, about, ways } = loaderData;
  return (
    <Page
      title={`The JSON interface, version ${version}`}
      lead={about}
      aside={
        <span className="flex flex-wrap gap-3">
          <Button asChild>
            <a href={href("/api/v1/openapi.json")}>openapi.json</a>
          </Button>
          <Button asChild>
            <Link to={href("/household/access")}>Tokens</Link>
          </Button>
        </span>
      }
    >
      <title>The JSON interface · Patient Larder</title>
      <ol className="divide-y-2 divide-rule border-y-2 border-rule">
        {ways.map((w) => (
          <li key={w.method + w.path}>
            <details>
              <summary className="flex min-h-14 cursor-pointer list-none flex-wrap items-center gap-x-4">
                <span
                  className={`fig w-14 shrink-0 text-[1.2rem] font-bold ${w.method === "POST" ? "text-copper-ink" : ""}`}
                >
                  {w.method}
                </span>
                <span className="code min-w-0 text-[1.1rem] [overflow-wrap:anywhere]">
                  {w.path.replace("/api/v1", "")}
                </span>
                <span className="text-soft">{w.summary}</span>
              </summary>
              <div className="grid gap-x-10 gap-y-4 pb-6 lg:grid-cols-2">
                <div>
                  {w.parameters && w.parameters.length > 0 && (
                    <table className="w-full">
                      <thead>
                        <tr className="border-b-2 border-ink text-left">
                          <th className="py-1">takes</th>
                          <th>in</th>
                          <th>as</th>
                        </tr>
                      </thead>
                      <tbody>
                        {w.parameters.map((p) => (
                          <tr key={p.name} className="border-b border-rule align-top">
                            <td className="code py-1 pr-3">
                              {p.name}
                              {p.required ? "" : " ?"}
                            </td>
                            <td className="pr-3 text-soft">{p.in}</td>
                            <td className="[overflow-wrap:anywhere]">{p.words}</td>
                          </tr>
                        ))}
                      </tbody>
                    </table>
                  )}
                  <p className="mt-3 text-soft">A token for: {w["x-right"]}</p>
                </div>
                <div className="min-w-0">
                  <pre
                    tabIndex={0}
                    className="overflow-x-auto rounded border-2 border-rule bg-sheet p-3 text-[0.92rem]"
                  >
                    {exampleOf(w.path, w.method, w)}
                  </pre>
                  {w.example !== undefined && (
                    <pre
                      tabIndex={0}
                      className="mt-2 max-h-72 overflow-auto rounded border-2 border-rule bg-sheet p-3 text-[0.92rem]"
                    >
                      {JSON.stringify(w.example, null, 1)}
                    </pre>
                  )}
                </div>
              </div>
            </details>
          </li>
        ))}
      </ol>
    </Page>
  );
}
