import type { Route } from "./+types/home";
import { homeContext, homeOf } from "../../server/context";

/** Whatever needs a household finds it, and who is at the screen, in its context; without either it is led elsewhere. */
export const middleware: Route.MiddlewareFunction[] = [
  async ({ request, context }, next) => {
    context.set(homeContext, await homeOf(context, request));
    return next();
  },
];
