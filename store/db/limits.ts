import { Refused } from "./refused.ts";

/** What the tables themselves hold to, in words: the last guard, for what no form has thought of. */
const LIMITS: Record<string, string> = {
  harvest_count: "A count is from 1 to 10,000.",
  harvest_weight: "Weight must be more than 0.",
  loss_weight: "Weight must be more than 0.",
  individual_weight: "Weight must be more than 0.",
  individual_length: "A length is more than zero.",
  share_fraction: "A share is more than none and not more than all.",
  lot_weight: "A lot weighs more than nothing.",
  lot_left: "More is taken from this lot than is left of it. Weigh it again.",
  lot_trim: "What is trimmed off weighs nothing or more.",
  flow_weight: "A lot weighs more than nothing.",
  cold_temp: "A temperature here is from −60 to 60 °C.",
  canner_quarts: "A canner holds from 4 to 60 quarts.",
  canner_max: "A canner’s limit is from 10 to 30 lb (70 to 210 kPa).",
  gauge_error: "No gauge is off by more than 10 lb (70 kPa).",
  pack_salt: "At most 4 teaspoons of salt a jar.",
  pack_lot_weight: "A pack weighs more than nothing.",
  recipe_amount: "An amount is at most a metric ton (2,200 lb).",
  can_check_temp: "A temperature here is from −20 to 130 °C.",
  storage_temp: "A room’s temperature is from −60 to 70 °C.",
  shelf_capacity: "A shelf takes from 1 to 10,000 containers.",
  price_amount: "A price is from nothing to a million.",
  supply_left: "There cannot be fewer than none.",
  supply_delta: "At most 10,000 of one kind.",
  guide_edition: "An edition is from 1909 to 2200.",
  office_minutes: "An office’s schedule is from 1 to 600 minutes.",
  office_altitude: "An altitude is from −1,500 to 17,000 ft.",
  tool_power: "A burner’s power is from 100 to 60,000 W.",
  tool_lowest: "A lowest pressure is from 0 to 30 lb (0 to 210 kPa).",
};

/** Returns an error of the database as a Refused when a value broke one of its limits; any other error as it is. */
export function asRefusal(error: unknown): unknown {
  const { code, message = "" } = (error ?? {}) as { code?: unknown; message?: string };
  if (code !== "SQLITE_CONSTRAINT_CHECK") return error;
  const limit = LIMITS[/failed: (\w+)/.exec(message)?.[1] ?? ""];
  return limit ? new Refused({ "": limit }) : error;
}
