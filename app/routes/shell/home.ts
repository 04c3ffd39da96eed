import { redirect } from "react-router";
import type { Route } from "./+types/home";
import { hiddenFrom } from "../../server/hidden";
import { homeContext, homeOf } from "../../server/context";

/** Whatever needs a household finds it, and who is at the screen, in its context; without either it is led elsewhere, and so is who
 * is comparing a row whose figures a page would show. */
export const middleware: Route.MiddlewareFunction[] = [
  async ({ request, context }, next) => {
    const home = await homeOf(context, request);
    context.set(homeContext, home);
    const instead = request.method === "GET" ? await hiddenFrom(home.larder, request) : null;
    if (instead) throw redirect(instead);
    return next();
  },
];
