import { localDay } from "#core/calendar";
import { listText, signedListText, type Recalled, type RecallList } from "#core/recall";
import type { Larder } from "#store/db";
import { witnessOf } from "./key.ts";

/** Everything that is recalled now, wherever it is, but what was thrown out. */
function recalledNow(larder: Larder, zone: string): Recalled[] {
  const rows = larder.sqlite
    .prepare(
      `select n.code, r.reason, r.at from container_now n join recall r on r.id = n.set_aside
       where n.moved is not 'discarded' and n.disposition is not 'discard' order by n.code`,
    )
    .all() as { code: string; reason: string; at: number }[];
  return rows.map(({ code, reason, at }) => ({ code, reason, day: localDay(at, zone) }));
}

/** A household's recall list, signed. */
export interface SignedRecalls {
  list: RecallList;
  /** the list and its signature, for a file or a QR code */
  text: string;
  /** of the key that signed it */
  fingerprint: string;
}

/**
 * Returns everything this household recalls now, signed by the larder's key; containers that were thrown out are left out.
 *
 * @param home the household, whose zone says which day it was
 */
export function signRecalls(larder: Larder, home: { name: string; zone: string }): SignedRecalls {
  const witness = witnessOf(larder.folder);
  const list: RecallList = {
    household: home.name,
    publicKey: witness.publicKey,
    // A list says whole seconds.
    at: Math.floor(larder.now() / 1000) * 1000,
    recalled: recalledNow(larder, home.zone),
  };
  return { list, text: signedListText(list, witness.sign(listText(list))), fingerprint: witness.fingerprint };
}
