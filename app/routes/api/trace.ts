import type { Route } from "./+types/trace";
import { Refused } from "#store/db";
import { findCode, traceGraph } from "#store/trace";
import { larderContext } from "../../server/context";
import { answering, json } from "./problem";
import { TraceAnswer } from "./schemas";

export function loader({ params, context }: Route.LoaderArgs) {
  return answering(() => {
    const larder = context.get(larderContext);
    const found = findCode(larder, params.code);
    if (!found.found) throw new Refused({ code: found.message }, 404);
    const trace = traceGraph(larder, found.kind, found.id);
    return json(
      TraceAnswer.parse({
        ...trace,
        nodes: trace.nodes.map((n) => ({ ...n, at: new Date(n.at).toISOString() })),
      }),
    );
  });
}
