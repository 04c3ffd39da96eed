import type { Route } from "./+types/list";
import { Refused } from "#store/db";
import { LISTS } from "#store/lists";
import { larderContext } from "../../server/context";
import { answering, json, queryOf } from "./problem";
import { ListAnswer, ListQuery } from "./list-schemas";

/** Rows of a list, each by its headings. */
export function loader({ request, params, context }: Route.LoaderArgs) {
  return answering(() => {
    const { limit = 1000, offset = 0 } = ListQuery.parse(queryOf(request));
    const list = LISTS.find((l) => l.key === params.name);
    if (!list) throw new Refused({ name: `One of ${LISTS.map((l) => l.key).join(", ")}.` }, 404);
    const rows = list.rows(context.get(larderContext));
    const named = rows
      .slice(offset, offset + limit)
      .map((row) => Object.fromEntries(row.map((cell, i) => [list.columns[i]!.head, cell])));
    return json(ListAnswer.parse({ name: list.key, total: rows.length, rows: named }));
  });
}
