/** What was done, in words: the history's actions. */
const DONE: Record<string, string> = {
  "household.setUp": "set up the larder",
  "household.change": "changed the household's figures",
  "person.add": "added a person",
  "access.passphrase": "set the passphrase",
  "access.pin": "changed a PIN",
  "access.token": "made a token",
  "access.token-back": "took a token back",
  "harvest.record": "wrote down an animal",
  "harvest.amend": "filled in or corrected a card",
  "harvest.hours": "wrote down the first hours",
  "photo.keep": "kept a photo",
  "photo.remove": "took a photo off",
  "lot.cut": "cut a lot",
  "lot.recut": "cut a lot anew",
  "lot.split": "split a lot",
  "lot.merge": "merged lots",
  "lot.undo": "undid the last of a lot",
  "pack.make": "packed",
  "pack.unpack": "took a pack apart",
  "bench.open": "began to fill a load",
  "bench.fill": "filled a container",
  "bench.take-out": "took a container out of its load",
  "bench.end-part": "finished a part of a load",
  "bench.close": "finished filling a load",
  "run.open": "opened a run",
  "run.ended": "the run ended",
  "seal.check": "looked at a seal",
  "container.shelve": "put on a shelf",
  "container.take": "took off the shelf",
  "container.put-back": "put back",
  "container.repack": "packed anew",
  "run.dispose": "decided about a whole load",
  "recipe.save": "kept a recipe",
  "recipe.change": "changed a recipe",
  "recipe.archive": "put a recipe away, or took it out",
  "hold.release": "lifted a hold",
  "larder.restore": "restored a backup",
  "witness.key": "began signing with a key",
  "backup.second-place": "chose the second place for backups",
};

/** An action in words; one that has none reads as it is written down. */
export function doneWords(action: string): string {
  return DONE[action] ?? action.replace(".", ": ").replaceAll("-", " ");
}

const BACKUP: Record<string, string> = {
  daily: "by itself, once a day",
  "by-hand": "asked for",
  "before-update": "before an update",
  "before-restore": "before a restore",
};

export const backupWords = (why: string) => BACKUP[why] ?? why;

/** `1.4 MB`. @param bytes 0 or more */
export function sizeWords(bytes: number): string {
  if (bytes < 1_000_000) return `${Math.max(1, Math.round(bytes / 1000))} kB`;
  return `${(bytes / 1e6).toFixed(bytes < 10_000_000 ? 1 : 0)} MB`;
}
