import { householdMark, readLabel } from "#core/code";
import { canHistory } from "#store/seam";
import { findCode } from "#store/trace";
import { getContainer } from "#store/rest";
import { getPlace, getShelved, placeName, type Shelved } from "#store/shelf";
import type { Home } from "../../server/context";

/** What a label that was scanned or typed comes to. */
export interface Scanned {
  /** what was read, as it was */
  text: string;
  says: string;
  code: string | null;
  /** the code most likely meant, when one letter was wrong */
  meant: string | null;
  container: Shelved | null;
  place: string | null;
  /** it stands on a shelf and may be taken */
  takes: boolean;
}

/** Whether a label was printed by another household's larder. Codes alone do not tell: they are given out alike everywhere. */
export function isForeign({ household }: Home, mark: string | null): boolean {
  return mark !== null && mark !== householdMark(household.createdAt);
}

export const FOREIGN =
  "This label was printed by another household’s larder. Its code may name something else here, so it is not looked up.";

/** Looks up what a camera, a scanner or a hand sent. */
export function scanned(home: Home, text: string): Scanned {
  const { larder } = home;
  const read = readLabel(text.slice(0, 300));
  const answer = (says: string, more: Partial<Scanned> = {}): Scanned => ({
    text,
    says,
    code: null,
    meant: null,
    container: null,
    place: null,
    takes: false,
    ...more,
  });
  if (isForeign(home, read.household)) return answer(FOREIGN);
  const found = findCode(larder, read.code.slice(0, 40));
  if (!found.found) return answer(found.message, { meant: found.meant });
  if (found.kind !== "container")
    return answer(`${found.code} is a ${found.kind}. Its page shows what was made of it.`, {
      code: found.code,
    });
  const emptied = canHistory(larder, found.id)?.emptiedAt != null;
  if (emptied)
    return answer(`${found.code} was a can with a bad seam; its meat is in another.`, { code: found.code });
  const now = getContainer(larder, found.id);
  const container = now.runId ? (getShelved(larder, found.id) ?? null) : null;
  const place = now.placeId ? placeName(getPlace(larder, now.placeId)) : null;
  const with_ = { code: now.code, container, place };
  if (now.setAside) return answer(`Recalled: ${container?.aside ?? "in doubt"}. Do not eat it.`, with_);
  if (container?.holds.length) return answer(`On hold: ${container.holds.join("; ")}. Do not eat it.`, with_);
  switch (now.moved) {
    case "shelved":
      return answer(`On ${place}.`, { ...with_, takes: true });
    case "missing":
      return answer(
        `It was missing from ${place} when that was counted. If you hold it, put it back from its page.`,
        with_,
      );
    case "opened":
      return answer("It was opened already.", with_);
    case "given":
      return answer("It was given away.", with_);
    case "discarded":
      return answer("It was thrown out. If you hold it, do not open it.", with_);
    default:
      return answer(
        now.seal === "sealed" && !now.disposition
          ? "Sealed, and not on a shelf yet."
          : "It has no sound, checked seal: it does not go on a shelf.",
        with_,
      );
  }
}
