import type { Route } from "./+types/steam";
import { fFromC } from "#core/quantity";
import { cannerSteam } from "#core/steam";
import { answering, json, queryOf } from "./problem";
import { SteamAnswer, SteamQuery } from "./schemas";

export function loader({ request }: Route.LoaderArgs) {
  return answering(() => {
    const query = SteamQuery.parse(queryOf(request));
    const steam = cannerSteam(query.altitudeM, query.gaugeKPa, query.airFraction);
    return json(SteamAnswer.parse({ ...steam, tempF: fFromC(steam.tempC) }));
  });
}
