import { z } from "zod";
import { HOLD_KINDS, releaseHold, type HoldKind } from "#store/harvest";
import type { Home } from "./context";
import { keyField, submit, words, writeBy } from "./form";

/** Puts a hold on whatever a page is about. */
export type PlaceHold = (write: ReturnType<typeof writeBy>, condition: string, kind: HoldKind) => void;

const hold = z.object({
  key: keyField,
  intent: z.literal("hold"),
  condition: words("What are we waiting for?"),
  kind: z.enum(HOLD_KINDS).default("doubt"),
});
const release = z.object({
  key: keyField,
  intent: z.literal("release"),
  holdId: z.string(),
  reason: words("The reason", 200),
});

/** The two forms of a hold panel, by intent. */
export function holdForms({ larder, me }: Home, request: Request, place: PlaceHold, back: () => Response) {
  return {
    hold: () =>
      submit(request, hold, (v) => {
        place(writeBy(me, v.key), v.condition, v.kind);
        return back();
      }),
    release: () =>
      submit(request, release, (v) => {
        releaseHold(larder, writeBy(me, v.key), v.holdId, v.reason);
        return back();
      }),
  };
}
