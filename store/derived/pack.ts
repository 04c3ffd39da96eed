import { trigger, view, type Derived } from "./rule.ts";

/** What of which lot is in a pack: filled into it, or come with the contents of a container that was packed again. */
export const pack: Derived = {
  rules: [
    trigger(
      "pack_from_lot_in",
      "AFTER INSERT ON pack_lot",
      "INSERT INTO pack_from (pack_id, lot_id, mass_kg, as_liquid) VALUES (NEW.pack_id, NEW.lot_id, NEW.mass_kg, NEW.as_liquid)",
    ),
    trigger(
      "pack_from_lot_changed",
      "AFTER UPDATE ON pack_lot",
      "UPDATE pack_from SET mass_kg = NEW.mass_kg, as_liquid = NEW.as_liquid WHERE pack_id = NEW.pack_id AND lot_id = NEW.lot_id AND via = ''",
    ),
    trigger(
      "pack_from_lot_out",
      "AFTER DELETE ON pack_lot",
      "DELETE FROM pack_from WHERE pack_id = OLD.pack_id AND lot_id = OLD.lot_id AND via = ''",
    ),
    trigger(
      "pack_from_container_in",
      "AFTER INSERT ON repacked",
      "INSERT INTO pack_from (pack_id, lot_id, mass_kg, via, as_liquid) VALUES (NEW.pack_id, NEW.lot_id, NEW.mass_kg, NEW.container_id, NEW.as_liquid)",
    ),
    trigger(
      "pack_from_container_out",
      "AFTER DELETE ON repacked",
      "DELETE FROM pack_from WHERE pack_id = OLD.pack_id AND lot_id = OLD.lot_id AND via = OLD.container_id",
    ),
    // Broth that food was covered with is in the pack, and is not its food.
    view("pack_food", "SELECT pack_id, lot_id, mass_kg, via FROM pack_from WHERE as_liquid = 0"),
  ],
  invariants: [
    {
      wrong: "what went into a pack is not what was taken from lots",
      sql: `SELECT NULL AS code FROM (SELECT pack_id, lot_id, mass_kg, via FROM pack_from
          EXCEPT SELECT pack_id, lot_id, mass_kg, '' FROM pack_lot EXCEPT SELECT pack_id, lot_id, mass_kg, container_id FROM repacked)
        UNION ALL SELECT NULL FROM (SELECT pack_id, lot_id, mass_kg, '' FROM pack_lot
          UNION ALL SELECT pack_id, lot_id, mass_kg, container_id FROM repacked EXCEPT SELECT pack_id, lot_id, mass_kg, via FROM pack_from)`,
      since: 10,
    },
    {
      wrong: "broth that covers food is told for food, or food for broth",
      sql: `SELECT k.code FROM pack_from x JOIN pack k ON k.id = x.pack_id WHERE x.as_liquid IS NOT coalesce(
          (SELECT y.as_liquid FROM pack_lot y WHERE y.pack_id = x.pack_id AND y.lot_id = x.lot_id AND x.via = ''),
          (SELECT y.as_liquid FROM repacked y WHERE y.pack_id = x.pack_id AND y.lot_id = x.lot_id AND y.container_id = x.via))`,
      since: 15,
    },
  ],
};
