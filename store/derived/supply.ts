import { trigger, type Derived } from "./rule.ts";

/** How many of a supply are left: what was bought less what was used. The table refuses fewer than none. */
export const supply: Derived = {
  rules: [
    trigger(
      "supply_left_change",
      "AFTER INSERT ON supply_change",
      "UPDATE supply SET left = left + NEW.delta WHERE id = NEW.supply_id",
    ),
  ],
  invariants: [
    {
      wrong: "what is left of a supply is not what was bought less what was used",
      sql: `SELECT NULL AS code FROM supply s
        WHERE s.left <> coalesce((SELECT sum(delta) FROM supply_change c WHERE c.supply_id = s.id), 0)`,
      since: 7,
    },
  ],
};
