import { redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/accept";
import { PRODUCTS } from "#core/schedule";
import { acceptRow } from "#store/household";
import { acceptedWords } from "../../features/packing/accepted.server";
import { homeContext } from "../../server/context";
import { keyField, submit, writeBy } from "../../server/form";
import { ownPath } from "../sign-in/own-path";
import { keptUntilTaken } from "../../outbox";

const schema = z.object({
  key: keyField,
  product: z.enum(PRODUCTS),
  back: z.string().optional(),
  stay: z.literal("yes").optional(),
});

/**
 * A person accepts a row of common practice for the household. Asked from wherever such a row is shown: a form that is being
 * filled in stays as it is, and is told by whom it was accepted; a page without its script is shown again.
 */
export function action({ request, context }: Route.ActionArgs) {
  const home = context.get(homeContext);
  const { larder, me } = home;
  return submit(request, schema, (v) => {
    acceptRow(larder, writeBy(me, v.key), v.product);
    if (!v.stay) return redirect(ownPath(v.back ?? "/"));
    return acceptedWords(home).find((a) => a.product === v.product)!;
  });
}

/** What is pressed is kept on this device until the larder has it. */
export function clientAction(args: Route.ClientActionArgs) {
  return keptUntilTaken(args);
}
