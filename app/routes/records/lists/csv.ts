import type { Route } from "./+types/csv";
import { LISTS, listCsv } from "#store/lists";
import { homeContext } from "../../../server/context";
import { downloadAnswer } from "../../../server/download";

/** A list as CSV (RFC 4180), with units in its headings. */
export function loader({ context, params }: Route.LoaderArgs) {
  const { larder } = context.get(homeContext);
  const list = LISTS.find((l) => l.key === params.key);
  if (!list) throw new Response("There is no such list.", { status: 404 });
  return downloadAnswer(listCsv(larder, list), "text/csv; charset=utf-8", `${list.key}.csv`);
}
