import { Button } from "#ui/button";
import { reloadAsNewer } from "../outbox";
import { useHeard } from "./feed";
import { changesWords, useFollow } from "./follow";
import { useNewerVersion } from "./new-version";
import type { Version } from "./word";

/**
 * Says that what a page shows was changed, as a rule on another screen, and offers to show it; or that there is a newer
 * version of the program, which shows it too. Nothing on the page moves before.
 *
 * @param read how far the changes were when the page was read; null for whoever may not see any
 */
export function ChangedElsewhere({ read }: { read: Version | null }) {
  const { word } = useHeard();
  const { unshown, show } = useFollow(word, read);
  const newer = useNewerVersion();
  if (newer)
    return (
      <Offer words="A new version is here. What you typed stays." does="Reload" onClick={reloadAsNewer} />
    );
  if (unshown.length === 0) return null;
  return (
    <Offer words={`${changesWords(unshown)}. This page does not show it yet.`} does="Show" onClick={show} />
  );
}

function Offer({ words, does, onClick }: { words: string; does: string; onClick: () => void }) {
  return (
    <div
      role="status"
      className="changed-elsewhere fixed bottom-0 left-1/2 z-20 mb-2 flex w-max max-w-[94vw] -translate-x-1/2 items-center gap-4 rounded border-2 border-steam bg-sheet px-4 py-1 shadow-[0_2px_0_var(--steam)] at-foot print:hidden"
    >
      <span className="min-w-0 flex-1">{words}</span>
      <Button type="button" onClick={onClick} className="!min-h-11 !px-4">
        {does}
      </Button>
    </div>
  );
}
