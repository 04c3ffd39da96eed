import { v7 as uuid } from "uuid";
import { once, refuse, Refused, type Larder, type Write } from "#store/db";
import { readPhotoFile, writePhotoFile, type ReadyPhoto } from "#store/harvest";
import type { ProductKey } from "#core/schedule";
import { pagePhoto } from "../schema/index.ts";

const MOST_OF_PAGE = 6;

export interface PagePhoto {
  id: string;
  guideId: string | null;
  product: ProductKey | null;
  at: number;
}

/** Returns the photos of pages of a row, the oldest first. */
export function pagePhotosOf(larder: Larder, product: ProductKey): PagePhoto[] {
  return larder.sqlite
    .prepare("select id, guide_id as guideId, product, at from page_photo where product = ? order by at, id")
    .all(product) as PagePhoto[];
}

/**
 * Keeps a photo of a page of a guide, or of an office's letter where no row is named. Returns its id. Throws Refused when
 * there are six of this page already.
 */
export function keepPagePhoto(
  larder: Larder,
  write: Write,
  of: { guideId: string; product: ProductKey } | null,
  ready: ReadyPhoto,
): { id: string } {
  return once(larder, write, "guide.photo", () => {
    if (of && pagePhotosOf(larder, of.product).filter((p) => p.guideId === of.guideId).length >= MOST_OF_PAGE)
      throw new Refused({ photo: `There are ${MOST_OF_PAGE} photos of this page already.` });
    const id = uuid();
    writePhotoFile(larder, id, ready.data);
    larder.db
      .insert(pagePhoto)
      .values({
        id,
        guideId: of?.guideId ?? null,
        product: of?.product ?? null,
        bytes: ready.data.length,
        width: ready.width,
        height: ready.height,
        at: larder.now(),
        byId: write.byId,
      })
      .run();
    return {
      result: { id },
      note: { kind: "table-row", id: of?.product ?? "office", detail: { photo: id } },
    };
  });
}

/** Returns the bytes of a photo of a page. Throws Refused (404) when there is none of this id. */
export function pagePhotoFile(larder: Larder, id: string): Buffer {
  if (!larder.sqlite.prepare("select 1 from page_photo where id = ?").get(id))
    return refuse("There is no such photo.", 404);
  return readPhotoFile(larder, id);
}
