import type { SubmissionResult } from "@conform-to/react";
import type { Route } from "./+types/route";

export interface DeedProps {
  data: Route.ComponentProps["loaderData"];
  result: SubmissionResult | undefined;
}
