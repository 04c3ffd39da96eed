import type { Route } from "./+types/verify";
import { larderContext } from "../../server/context";
import { verified } from "../../server/verified";
import { answering, json } from "./problem";
import { VerifyAnswer } from "./list-schemas";

/** Whether the past fits. */
export function loader({ context }: Route.LoaderArgs) {
  return answering(async () => {
    const { at, runs, lines, head, broken, witnessed } = await verified(context.get(larderContext));
    return json(
      VerifyAnswer.parse({
        at: new Date(at).toISOString(),
        runs,
        lines,
        head,
        broken: broken.map((b) => ({ code: b.code, line: b.seq, what: b.what })),
        signatures: witnessed && {
          key: witnessed.fingerprint,
          count: witnessed.statements,
          newest: witnessed.newestAt === null ? null : new Date(witnessed.newestAt).toISOString(),
          lines: witnessed.points,
          notes: witnessed.notes,
        },
      }),
    );
  });
}
