import type { Route } from "./+types/stock";
import { byKind, listPlaces } from "#store/shelf";
import { larderContext } from "../../server/context";
import { answering, json, queryOf } from "./problem";
import { StockAnswer, StockQuery } from "./stock-schemas";

/** What stands on the shelves: by shelf, and by kind. */
export function loader({ request, context }: Route.LoaderArgs) {
  return answering(() => {
    StockQuery.parse(queryOf(request));
    const larder = context.get(larderContext);
    return json(
      StockAnswer.parse({
        places: listPlaces(larder).map((p) => ({
          room: p.room,
          name: p.name,
          kind: p.kind,
          capacity: p.capacity,
          standing: p.standing,
        })),
        kinds: byKind(larder).map((k) => ({
          product: k.product,
          container: k.kind,
          mouth: k.mouth,
          species: k.species,
          sound: k.sound,
          keptBack: k.kept,
          massKg: k.massKg,
          oldestCannedAt: k.oldestCannedAt === null ? null : new Date(k.oldestCannedAt).toISOString(),
        })),
      }),
    );
  });
}
