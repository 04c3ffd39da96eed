import { SCALE_SLACK_KG } from "#core/lot";
import { trigger, view, type Derived } from "./rule.ts";

/**
 * The balance of a lot, kg: what was made, changed by weighing again and trimming, less what went into other lots and into
 * packs. Rounded to a millionth of a gram, so that adding up in another order gives the same. It is never clamped: the
 * table refuses a balance below nothing, and so no more is taken than is there.
 */
const BALANCE = `round(made_kg
    + coalesce((SELECT sum(e.change_kg) FROM lot_event e WHERE e.lot_id = lot.id), 0)
    - coalesce((SELECT sum(f.mass_kg) FROM lot_flow f WHERE f.from_lot = lot.id), 0)
    - coalesce((SELECT sum(x.mass_kg) FROM pack_lot x WHERE x.lot_id = lot.id), 0), 9)`;

const balanceAfter = (name: string, when: string, lot: string) =>
  trigger(name, when, `UPDATE lot SET left_kg = ${BALANCE} WHERE id = ${lot}`);

export const lot: Derived = {
  rules: [
    balanceAfter("lot_left_flow", "AFTER INSERT ON lot_flow WHEN NEW.from_lot IS NOT NULL", "NEW.from_lot"),
    balanceAfter("lot_left_event", "AFTER INSERT ON lot_event WHEN NEW.change_kg <> 0", "NEW.lot_id"),
    balanceAfter("lot_left_packed", "AFTER INSERT ON pack_lot", "NEW.lot_id"),
    balanceAfter("lot_left_repacked", "AFTER UPDATE ON pack_lot", "NEW.lot_id"),
    balanceAfter("lot_left_unpacked", "AFTER DELETE ON pack_lot", "OLD.lot_id"),
    // What is held: the lot itself, every lot of the animal, and every lot any of its meat went into.
    view(
      "held_lot",
      `WITH RECURSIVE held(lot_id, hold_id) AS (
  SELECT h.lot_id, h.id FROM hold h WHERE h.lot_id IS NOT NULL
    AND NOT EXISTS (SELECT 1 FROM hold_release r WHERE r.hold_id = h.id)
  UNION
  SELECT f.to_lot, h.id FROM hold h JOIN lot_flow f ON f.from_harvest = h.harvest_id
    WHERE NOT EXISTS (SELECT 1 FROM hold_release r WHERE r.hold_id = h.id)
  UNION
  SELECT f.to_lot, held.hold_id FROM held JOIN lot_flow f ON f.from_lot = held.lot_id
)
SELECT lot_id, hold_id FROM held`,
    ),
  ],
  invariants: [
    {
      wrong: "more was taken from a lot than there was",
      sql: `SELECT code FROM lot WHERE ${BALANCE} < -0.000001`,
      since: 7,
    },
    {
      wrong: "what is left of a lot is not what was made of it less what was taken",
      sql: `SELECT code FROM lot WHERE abs(left_kg - ${BALANCE}) > 0.000001`,
      since: 7,
    },
    {
      wrong: "the shares of a lot's animals are not the whole of it",
      sql: `SELECT l.code FROM lot l WHERE abs((SELECT coalesce(sum(o.share), 1) FROM lot_origin o WHERE o.lot_id = l.id) - 1) > 0.000001`,
      since: 7,
    },
    {
      // Scales differ, and until now a little too much could be taken more than once.
      wrong: "more was taken from an animal than it weighed",
      sql: `SELECT code FROM harvest h WHERE weight_kg + ${10 * SCALE_SLACK_KG} <
        coalesce((SELECT sum(f.mass_kg) FROM lot_flow f WHERE f.from_harvest = h.id), 0)
        + coalesce((SELECT sum(x.mass_kg) FROM harvest_loss x WHERE x.harvest_id = h.id), 0)`,
      since: 14,
    },
    {
      wrong: "a lot was made of nothing",
      sql: `SELECT code FROM lot l WHERE NOT EXISTS (SELECT 1 FROM lot_flow f WHERE f.to_lot = l.id)`,
      since: 1,
    },
  ],
};
