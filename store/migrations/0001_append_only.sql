-- What happened is appended, never edited: a correction is a new row that names what it corrects.
CREATE TRIGGER run_event_no_update BEFORE UPDATE ON run_event BEGIN SELECT RAISE(ABORT, 'run_event is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER run_event_no_delete BEFORE DELETE ON run_event BEGIN SELECT RAISE(ABORT, 'run_event is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER seal_check_no_update BEFORE UPDATE ON seal_check BEGIN SELECT RAISE(ABORT, 'seal_check is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER seal_check_no_delete BEFORE DELETE ON seal_check BEGIN SELECT RAISE(ABORT, 'seal_check is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER disposition_no_update BEFORE UPDATE ON disposition BEGIN SELECT RAISE(ABORT, 'disposition is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER disposition_no_delete BEFORE DELETE ON disposition BEGIN SELECT RAISE(ABORT, 'disposition is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER movement_no_update BEFORE UPDATE ON movement BEGIN SELECT RAISE(ABORT, 'movement is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER movement_no_delete BEFORE DELETE ON movement BEGIN SELECT RAISE(ABORT, 'movement is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER gauge_check_no_update BEFORE UPDATE ON gauge_check BEGIN SELECT RAISE(ABORT, 'gauge_check is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER gauge_check_no_delete BEFORE DELETE ON gauge_check BEGIN SELECT RAISE(ABORT, 'gauge_check is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER hold_no_update BEFORE UPDATE ON hold BEGIN SELECT RAISE(ABORT, 'hold is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER hold_no_delete BEFORE DELETE ON hold BEGIN SELECT RAISE(ABORT, 'hold is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER hold_release_no_update BEFORE UPDATE ON hold_release BEGIN SELECT RAISE(ABORT, 'hold_release is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER hold_release_no_delete BEFORE DELETE ON hold_release BEGIN SELECT RAISE(ABORT, 'hold_release is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER audit_no_update BEFORE UPDATE ON audit BEGIN SELECT RAISE(ABORT, 'audit is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER audit_no_delete BEFORE DELETE ON audit BEGIN SELECT RAISE(ABORT, 'audit is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER lot_flow_no_update BEFORE UPDATE ON lot_flow BEGIN SELECT RAISE(ABORT, 'lot_flow is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER lot_flow_no_delete BEFORE DELETE ON lot_flow BEGIN SELECT RAISE(ABORT, 'lot_flow is append-only'); END;
--> statement-breakpoint
-- Where each container stands: its latest seal check, disposition and movement.
CREATE VIEW container_now AS
SELECT
  c.id, c.code, c.pack_id, c.number,
  p.run_id, p.product, p.container AS kind, p.mouth, p.code AS pack_code,
  (SELECT s.finding FROM seal_check s WHERE s.container_id = c.id ORDER BY s.seq DESC LIMIT 1) AS seal,
  (SELECT s.at FROM seal_check s WHERE s.container_id = c.id ORDER BY s.seq DESC LIMIT 1) AS sealed_at,
  (SELECT d.what FROM disposition d WHERE d.container_id = c.id ORDER BY d.seq DESC LIMIT 1) AS disposition,
  (SELECT d.due_at FROM disposition d WHERE d.container_id = c.id ORDER BY d.seq DESC LIMIT 1) AS disposition_due,
  (SELECT m.kind FROM movement m WHERE m.container_id = c.id ORDER BY m.seq DESC LIMIT 1) AS moved,
  (SELECT m.at FROM movement m WHERE m.container_id = c.id ORDER BY m.seq DESC LIMIT 1) AS moved_at,
  (SELECT m.place_id FROM movement m WHERE m.container_id = c.id ORDER BY m.seq DESC LIMIT 1) AS place_id
FROM container c JOIN pack p ON p.id = c.pack_id;
--> statement-breakpoint
-- Everything on hold, by itself or through what it was made from.
CREATE VIEW held_lot AS
WITH RECURSIVE held(lot_id, hold_id) AS (
  SELECT h.lot_id, h.id FROM hold h WHERE h.lot_id IS NOT NULL
    AND NOT EXISTS (SELECT 1 FROM hold_release r WHERE r.hold_id = h.id)
  UNION
  SELECT f.to_lot, h.id FROM hold h JOIN lot_flow f ON f.from_harvest = h.harvest_id
    WHERE NOT EXISTS (SELECT 1 FROM hold_release r WHERE r.hold_id = h.id)
  UNION
  SELECT f.to_lot, held.hold_id FROM held JOIN lot_flow f ON f.from_lot = held.lot_id
)
SELECT lot_id, hold_id FROM held;
