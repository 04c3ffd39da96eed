import { z } from "zod";
import { HOLD_KINDS, releaseHold } from "#store/harvest";
import { type Larder } from "#store/db";
import { keyField, submit, words, writeBy } from "./form";

/** The two forms of a hold panel, and what they do. `place` puts the hold on whatever the page is about. */
export function holdIntents(
  larder: Larder,
  me: { id: string; name: string },
  place: (write: ReturnType<typeof writeBy>, condition: string, kind: (typeof HOLD_KINDS)[number]) => void,
  back: () => Response,
) {
  const hold = z.object({
    key: keyField,
    intent: z.literal("hold"),
    condition: words("What it waits for"),
    kind: z.enum(HOLD_KINDS).default("doubt"),
  });
  const release = z.object({
    key: keyField,
    intent: z.literal("release"),
    holdId: z.string(),
    reason: words("The reason", 200),
  });
  return {
    hold: (request: Request) =>
      submit(request, hold, (v) => {
        place(writeBy(me, v.key), v.condition, v.kind);
        return back();
      }),
    release: (request: Request) =>
      submit(request, release, (v) => {
        releaseHold(larder, writeBy(me, v.key), v.holdId, v.reason);
        return back();
      }),
  };
}
