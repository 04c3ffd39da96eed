import { trigger, type Derived } from "./rule.ts";

/** Tables to which lines are added and nothing else: what happened is not edited, a correction is a line of its own. */
const APPEND_ONLY = [
  "acceptance",
  "audit",
  "can_check",
  "canning_step",
  "chain_link",
  "cold_entry",
  "comparison",
  "deviation",
  "disposition",
  "drill_result",
  "equipment_check",
  "gauge_check",
  "guide",
  "harvest_loss",
  "hold",
  "hold_release",
  "lot_event",
  "lot_flow",
  "lot_origin",
  "movement",
  "opening",
  "page_photo",
  "price",
  "recall",
  "recall_item",
  "recall_lift",
  "recall_word",
  "row_decision",
  "run_event",
  "seal_check",
  "sealer_event",
  "seam_limit",
  "school_answer",
  "shelf_check",
  "storage_entry",
  "supply_change",
];

export const appendOnly: Derived = {
  rules: APPEND_ONLY.flatMap((table) =>
    (["update", "delete"] as const).map((verb) =>
      trigger(
        `${table}_no_${verb}`,
        `BEFORE ${verb.toUpperCase()} ON ${table}`,
        `SELECT RAISE(ABORT, '${table} is append-only')`,
      ),
    ),
  ),
  invariants: [],
};
