import type { Derived } from "./rule.ts";

const KINDS = ["harvest", "lot", "pack", "container", "run"];

const named = (kind: string) =>
  `(r.kind = '${kind}' AND NOT EXISTS (SELECT 1 FROM "${kind}" x WHERE x.id = r.entity_id AND x.code = r.code))`;

/** The register of codes: what each code that was given out names. */
export const code: Derived = {
  rules: [],
  invariants: [
    {
      wrong: "a code is not in the register of codes",
      sql: KINDS.map(
        (kind) => `SELECT x.code FROM "${kind}" x WHERE NOT EXISTS (
          SELECT 1 FROM code_register r WHERE r.entity_id = x.id AND r.code = x.code AND r.kind = '${kind}')`,
      ).join(" UNION ALL "),
      since: 1,
    },
    {
      // Packs are taken apart now and then; nothing else that had a code ever goes.
      wrong: "a code names nothing",
      sql: `SELECT r.code FROM code_register r WHERE ${["run", "harvest", "lot"].map(named).join(" OR ")}
        OR (NOT EXISTS (SELECT 1 FROM audit WHERE action IN ('pack.unpack', 'bench.take-out'))
          AND (${["pack", "container"].map(named).join(" OR ")}))`,
      since: 1,
    },
    {
      wrong: "a code is not the one of its number",
      sql: `SELECT code FROM (SELECT code, number, row_number() OVER (ORDER BY number) - 1 AS place FROM code_register)
        WHERE number <> place`,
      since: 1,
    },
  ],
};
