import { trigger, type Derived } from "./rule.ts";

/** What of a run its chain hangs from: everything that was decided when it was opened. */
export const RUN_COLUMNS = [
  "id",
  "code",
  "canner_id",
  "plan",
  "schedule",
  "opened_at",
  "opened_by",
  "zone",
  "gauge_signed_by",
  "gauge_signed_reason",
  "equipment_signed_by",
  "equipment_signed_reason",
  "burner_id",
];
export const EVENT_COLUMNS = [
  "seq",
  "id",
  "run_id",
  "at",
  "type",
  "gauge_kpa",
  "temp_c",
  "corrects",
  "by_name",
  "note",
  "source",
  "detail",
  "recorded_at",
];
export const AUDIT_COLUMNS = [
  "id",
  "at",
  "by_id",
  "action",
  "entity_kind",
  "entity_id",
  "detail",
  "device",
  "heard_at",
];
/** Column of the activity log that is in its hash only where it is filled: lines from before it was kept have none. */
export const AUDIT_KNOWN = "known";
const of = (row: string, columns: readonly string[]) => columns.map((c) => `${row}.${c}`).join(", ");

/** The hash of each line, over the line and the hash before it, written as the line is. */
export const chain: Derived = {
  rules: [
    trigger(
      "run_event_linked",
      "AFTER INSERT ON run_event",
      `INSERT INTO chain_link (chain, seq, hash) VALUES (NEW.run_id, NEW.seq, line_hash(
    coalesce(
      (SELECT l.hash FROM chain_link l WHERE l.chain = NEW.run_id ORDER BY l.seq DESC LIMIT 1),
      (SELECT line_hash('', ${of("r", RUN_COLUMNS)}) FROM run r WHERE r.id = NEW.run_id)),
    ${of("NEW", EVENT_COLUMNS)}))`,
    ),
    trigger(
      "audit_linked",
      "AFTER INSERT ON audit",
      `INSERT INTO chain_link (chain, seq, hash) SELECT 'audit', NEW.id,
    CASE WHEN NEW.${AUDIT_KNOWN} IS NULL THEN line_hash(before, ${of("NEW", AUDIT_COLUMNS)})
      ELSE line_hash(before, ${of("NEW", [...AUDIT_COLUMNS, AUDIT_KNOWN])}) END
    FROM (SELECT coalesce((SELECT l.hash FROM chain_link l WHERE l.chain = 'audit' ORDER BY l.seq DESC LIMIT 1), '') AS before)`,
    ),
  ],
  invariants: [
    {
      wrong: "a run's end is not the one its events tell of",
      sql: `SELECT code FROM run r WHERE r.ended_at IS NOT NULL
        AND NOT EXISTS (SELECT 1 FROM run_event e WHERE e.run_id = r.id)`,
      since: 11,
    },
  ],
};
