import { trigger, type Derived } from "./rule.ts";

/** What of which lot is in a pack: filled into it, or come with the contents of a container that was packed again. */
export const pack: Derived = {
  rules: [
    trigger(
      "pack_from_lot_in",
      "AFTER INSERT ON pack_lot",
      "INSERT INTO pack_from (pack_id, lot_id, mass_kg) VALUES (NEW.pack_id, NEW.lot_id, NEW.mass_kg)",
    ),
    trigger(
      "pack_from_lot_changed",
      "AFTER UPDATE ON pack_lot",
      "UPDATE pack_from SET mass_kg = NEW.mass_kg WHERE pack_id = NEW.pack_id AND lot_id = NEW.lot_id AND via = ''",
    ),
    trigger(
      "pack_from_lot_out",
      "AFTER DELETE ON pack_lot",
      "DELETE FROM pack_from WHERE pack_id = OLD.pack_id AND lot_id = OLD.lot_id AND via = ''",
    ),
    trigger(
      "pack_from_container_in",
      "AFTER INSERT ON repacked",
      "INSERT INTO pack_from (pack_id, lot_id, mass_kg, via) VALUES (NEW.pack_id, NEW.lot_id, NEW.mass_kg, NEW.container_id)",
    ),
    trigger(
      "pack_from_container_out",
      "AFTER DELETE ON repacked",
      "DELETE FROM pack_from WHERE pack_id = OLD.pack_id AND lot_id = OLD.lot_id AND via = OLD.container_id",
    ),
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
  ],
};
