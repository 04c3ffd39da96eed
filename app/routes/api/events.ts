import type { Route } from "./+types/events";
import { epcisDocument } from "#store/epcis";
import { larderContext } from "../../server/context";
import { textStream } from "../../server/text-stream";
import { answering, queryOf } from "./problem";
import { z } from "zod";

const Query = z.strictObject({ code: z.string().max(20).optional() });

/** What happened, as a document of EPCIS 2.0. */
export function loader({ request, context }: Route.LoaderArgs) {
  return answering(() => {
    const { code = null } = Query.parse(queryOf(request));
    return textStream(epcisDocument(context.get(larderContext), code), "application/ld+json");
  });
}
