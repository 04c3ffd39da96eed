import { redirect } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/accept";
import { PRODUCTS } from "#core/schedule";
import { acceptRow } from "#store/household";
import { atHome } from "../../server/context";
import { keyField, submit, writeBy } from "../../server/form";
import { ownPath } from "../door/own-path";

const schema = z.object({ key: keyField, product: z.enum(PRODUCTS), back: z.string().optional() });

/** A person accepts a row of common practice for the household. Asked from wherever such a row is shown. */
export function action({ request, context }: Route.ActionArgs) {
  const { larder, me } = atHome(context, request);
  return submit(request, schema, (v) => {
    acceptRow(larder, writeBy(me, v.key), v.product);
    return redirect(ownPath(v.back ?? "/"));
  });
}
