import type { Route } from "./+types/seam";
import { deriveSeam } from "#core/seam";
import { answering, json, posted, problem } from "./problem";
import { SeamAnswer, SeamBody } from "./seam-schemas";

export function action({ request }: Route.ActionArgs) {
  return answering(async () => json(SeamAnswer.parse(deriveSeam(await posted(request, SeamBody)))));
}

export function loader() {
  return problem(405, "Only POST is taken here.");
}
