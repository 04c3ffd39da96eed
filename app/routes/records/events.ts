import type { Route } from "./+types/events";
import { epcisDocument } from "#store/epcis";
import { homeContext } from "../../server/context";
import { orNotFound } from "../../server/form";
import { textStream } from "../../server/text-stream";

/** What happened, as a document of EPCIS 2.0; of one code with `?code=`. */
export function loader({ request, context }: Route.LoaderArgs) {
  const { larder } = context.get(homeContext);
  const code = new URL(request.url).searchParams.get("code");
  return orNotFound(() =>
    textStream(
      epcisDocument(larder, code),
      "application/ld+json",
      `larder-events${code ? `-${code.replace(/[^\w-]/g, "")}` : ""}.jsonld`,
    ),
  );
}
