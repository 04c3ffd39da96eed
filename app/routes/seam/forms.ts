import { z } from "zod";
import { DEFECTS, readSeamLength, type OutsideMeasures, type SeamLength } from "#core/seam";
import { Refused } from "#store/db";
import { keyField, words } from "../../server/form";

export const ofCan = { key: keyField, containerId: z.string() };

export const seamForm = z.object({
  ...ofCan,
  sealerId: z.string().optional(),
  verdict: z.enum(["accept", "redo", "stop"]),
  defects: z
    .string()
    .default("[]")
    .transform((text, ctx) => {
      try {
        return z
          .array(z.object({ key: z.enum(DEFECTS), degrees: z.number().min(0).max(360) }))
          .max(40)
          .parse(JSON.parse(text));
      } catch {
        ctx.addIssue({ code: "custom", message: "What was felt could not be read. Tap it again." });
        return z.NEVER;
      }
    }),
  thickness: words("The thickness", 24).optional(),
  width: words("The width", 24).optional(),
  confirm: z.string().optional(),
  confirmed: z.string().optional(),
});

/** Thickness and width of a closed can as typed. What could be two things is asked once. */
export function readOutside(v: { thickness?: string; width?: string; confirmed?: string }): OutsideMeasures {
  const outside: OutsideMeasures = {};
  for (const key of ["thickness", "width"] as const satisfies readonly SeamLength[]) {
    const text = v[key];
    if (!text) continue;
    const read = readSeamLength(text, key);
    if (read.outcome === "none") throw new Refused({ [key]: read.message });
    if (read.outcome === "ask" && v.confirmed !== "yes")
      throw new Refused({ [key]: read.question, confirm: read.question });
    outside[key] = read.mm;
  }
  return outside;
}
