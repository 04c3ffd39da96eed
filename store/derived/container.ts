import { trigger, view, type Derived } from "./rule.ts";

/** Whether a recall of a container stands: nobody lifted it, for all of its containers or for this one. */
const stands = (item: string) => `NOT EXISTS (
      SELECT 1 FROM recall_lift l WHERE l.recall_id = ${item}.recall_id AND (l.container_id IS NULL OR l.container_id = ${item}.container_id))`;

/** What was last said of a container in a table of lines about it. */
const last = (column: string, table: string, and = "") =>
  `(SELECT x.${column} FROM ${table} x WHERE x.container_id = c.id ${and} ORDER BY x.seq DESC LIMIT 1)`;

/** How a container stands: its seal, what was decided, where it is, and whether a recall set it aside. */
export const container: Derived = {
  rules: [
    trigger(
      "container_sealed",
      "AFTER INSERT ON seal_check",
      "UPDATE container SET seal = NEW.finding, sealed_at = NEW.at WHERE id = NEW.container_id",
    ),
    trigger(
      "container_decided",
      "AFTER INSERT ON disposition",
      "UPDATE container SET disposition = NEW.what, disposition_due = NEW.due_at WHERE id = NEW.container_id",
    ),
    trigger(
      "container_moved",
      "AFTER INSERT ON movement",
      `UPDATE shelf_place SET standing = standing - 1
    WHERE id = (SELECT c.place_id FROM container c WHERE c.id = NEW.container_id AND c.moved = 'shelved')`,
      `UPDATE container SET moved = NEW.kind, moved_at = NEW.at, place_id = coalesce(NEW.place_id, place_id),
    canned_at = coalesce(canned_at, (SELECT r.completed_at FROM pack p JOIN run r ON r.id = p.run_id WHERE p.id = pack_id))
    WHERE id = NEW.container_id`,
      "UPDATE shelf_place SET standing = standing + 1 WHERE id = NEW.place_id",
    ),
    trigger(
      "container_set_aside",
      "AFTER INSERT ON recall_item",
      "UPDATE container SET set_aside = NEW.recall_id WHERE id = NEW.container_id",
    ),
    trigger(
      "container_lifted",
      "AFTER INSERT ON recall_lift",
      `UPDATE container SET set_aside = (
    SELECT i.recall_id FROM recall_item i WHERE i.container_id = container.id AND ${stands("i")}
    LIMIT 1)
  WHERE set_aside = NEW.recall_id AND (NEW.container_id IS NULL OR id = NEW.container_id)`,
    ),
    view(
      "container_now",
      `SELECT
  c.id, c.code, c.pack_id, c.number,
  p.run_id, p.product, p.container AS kind, p.mouth, p.code AS pack_code,
  c.seal, c.sealed_at, c.disposition, c.disposition_due, c.moved, c.moved_at, c.place_id, c.canned_at, c.set_aside
FROM container c JOIN pack p ON p.id = c.pack_id
WHERE c.emptied_at IS NULL`,
    ),
  ],
  invariants: [
    {
      wrong: "the seal of a container is not what was last found",
      sql: `SELECT c.code FROM container c
        WHERE c.seal IS NOT ${last("finding", "seal_check")} OR c.sealed_at IS NOT ${last("at", "seal_check")}`,
      since: 10,
    },
    {
      wrong: "what is done with a container is not what was last decided",
      sql: `SELECT c.code FROM container c WHERE c.disposition IS NOT ${last("what", "disposition")}
        OR c.disposition_due IS NOT ${last("due_at", "disposition")}`,
      since: 10,
    },
    {
      wrong: "a container is not where it was last put",
      sql: `SELECT c.code FROM container c WHERE c.moved IS NOT ${last("kind", "movement")}
        OR c.moved_at IS NOT ${last("at", "movement")}
        OR c.place_id IS NOT ${last("place_id", "movement", "AND x.place_id IS NOT NULL")}`,
      since: 10,
    },
    {
      wrong: "a container is set aside by no recall, or not by one that stands",
      sql: `SELECT c.code FROM container c WHERE (c.set_aside IS NOT NULL) IS NOT EXISTS (
        SELECT 1 FROM recall_item i WHERE i.container_id = c.id AND ${stands("i")})`,
      since: 10,
    },
    {
      wrong: "a shelf does not hold as many as were put on it",
      sql: `SELECT NULL AS code FROM shelf_place p WHERE p.standing IS NOT
        (SELECT count(*) FROM container c WHERE c.moved = 'shelved' AND c.place_id = p.id)`,
      since: 10,
    },
    {
      wrong: "a container on the shelf was canned in no run, or at another time than it says",
      sql: `SELECT c.code FROM container c JOIN pack p ON p.id = c.pack_id LEFT JOIN run r ON r.id = p.run_id
        WHERE c.moved = 'shelved' AND (c.canned_at IS NULL OR c.canned_at IS NOT r.completed_at)`,
      since: 10,
    },
    {
      wrong: "two containers of a pack have the same number",
      sql: `SELECT max(code) AS code FROM container WHERE emptied_at IS NULL GROUP BY pack_id, number HAVING count(*) > 1`,
      since: 8,
    },
  ],
};
