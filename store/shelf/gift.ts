import { whyNoGiftLabel } from "#core/guard";
import type { Larder } from "#store/db";
import { getPack, type Pack } from "#store/pack";
import { shelvedByIds, type Shelved } from "./shelved.ts";
import { onTheWay } from "./take.ts";

/** An animal, or a catch, that a container has meat, bones or broth of. */
export interface GiftAnimal {
  code: string;
  species: string;
  /** local day, `2026-11-20` */
  takenOn: string;
}

/** A container that is to be given away, with what its new owner should know. */
export interface Gift {
  shelved: Shelved;
  pack: Pack;
  /** by day; what its broth was made of as well */
  animals: GiftAnimal[];
  /** to whom it was given, as it was noted; null while it was not */
  givenTo: string | null;
  givenAt: number | null;
  /** why it gets no label to be given away with; null when it gets one */
  whyNot: string | null;
}

/** Returns containers as they are to be given away, in the order they are to be eaten. Those that no run processed are left out. */
export function giftsOf(larder: Larder, ids: readonly string[]): Gift[] {
  const animals = larder.sqlite.prepare(
    `select distinct h.code, h.species, h.taken_on as takenOn from pack_from x
     join lot_origin o on o.lot_id = x.lot_id join harvest h on h.id = o.harvest_id
     where x.pack_id = ? order by h.taken_on, h.code`,
  );
  const given = larder.sqlite.prepare(
    "select note, at from movement where container_id = ? and kind = 'given' order by seq desc limit 1",
  );
  return shelvedByIds(larder, ids).map((shelved) => {
    const last =
      shelved.moved === "given" ? (given.get(shelved.id) as { note: string | null; at: number }) : null;
    return {
      shelved,
      pack: getPack(larder, shelved.packId),
      animals: animals.all(shelved.packId) as GiftAnimal[],
      givenTo: last?.note ?? null,
      givenAt: last?.at ?? null,
      whyNot: whyNoGiftLabel(onTheWay(shelved, shelved)),
    };
  });
}
