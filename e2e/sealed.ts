import { openLarder } from "#store/db";
import { listPeople } from "#store/household";
import { checkSeal } from "#store/rest";
import { findCode } from "#store/trace";
import { v7 as uuid } from "uuid";

/** Presses lids without a screen: for tests that begin where they are sealed. */
export function sealAll(folder: string, codes: readonly string[]): void {
  const larder = openLarder(folder, Date.now);
  try {
    const [me] = listPeople(larder);
    for (const code of codes) {
      const found = findCode(larder, code);
      if (found.found)
        checkSeal(larder, { key: uuid(), byId: me!.id, byName: me!.name }, found.id, { lid: "down" });
    }
  } finally {
    larder.close();
  }
}
