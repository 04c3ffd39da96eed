import type { ShouldRevalidateFunctionArgs } from "react-router";
import { isLost } from "../outbox";

/** What a page shows stays while Patient Larder cannot be reached: reading it again would only break it. */
export function stayWhenLost({ defaultShouldRevalidate }: ShouldRevalidateFunctionArgs): boolean {
  return !isLost() && defaultShouldRevalidate;
}
