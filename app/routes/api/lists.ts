import type { Route } from "./+types/lists";
import { LISTS } from "#store/lists";
import { answering, json } from "./problem";
import { ListsAnswer } from "./list-schemas";

/** The lists there are. */
export function loader(_: Route.LoaderArgs) {
  return answering(() =>
    json(
      ListsAnswer.parse({
        lists: LISTS.map((l) => ({
          name: l.key,
          title: l.title,
          columns: l.columns.map(({ head, kind }) => ({ head, kind })),
        })),
      }),
    ),
  );
}
