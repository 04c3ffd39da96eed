CREATE TABLE `chain_link` (
	`chain` text NOT NULL,
	`seq` integer NOT NULL,
	`hash` text NOT NULL,
	PRIMARY KEY(`chain`, `seq`)
) STRICT;
--> statement-breakpoint
CREATE TABLE `device_token` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`right` text NOT NULL,
	`canner_id` text,
	`hash` text NOT NULL,
	`created_at` integer NOT NULL,
	`by_id` text,
	`revoked_at` integer,
	FOREIGN KEY (`canner_id`) REFERENCES `canner`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "device_right" CHECK("device_token"."right" in ('gauge', 'probe', 'scale', 'read')),
	CONSTRAINT "device_gauge" CHECK(("device_token"."right" = 'gauge') = ("device_token"."canner_id" is not null))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `device_token_hash_unique` ON `device_token` (`hash`);--> statement-breakpoint
CREATE TABLE `secret` (
	`name` text PRIMARY KEY NOT NULL,
	`hash` text NOT NULL,
	`changed_at` integer NOT NULL
) STRICT;
--> statement-breakpoint
CREATE TABLE `session` (
	`hash` text PRIMARY KEY NOT NULL,
	`former_hash` text,
	`device` text NOT NULL,
	`created_at` integer NOT NULL,
	`rotated_at` integer NOT NULL,
	`expires_at` integer NOT NULL
) STRICT;
--> statement-breakpoint
CREATE INDEX `session_former` ON `session` (`former_hash`);--> statement-breakpoint
ALTER TABLE `audit` ADD `device` text;--> statement-breakpoint
ALTER TABLE `audit` ADD `heard_at` integer;--> statement-breakpoint
CREATE INDEX `audit_action` ON `audit` (`action`,`id`);--> statement-breakpoint
CREATE INDEX `audit_entity` ON `audit` (`entity_id`,`id`);--> statement-breakpoint
CREATE INDEX `pack_like` ON `pack` (`product`,`method`,`container`,`made_at`);--> statement-breakpoint
-- Each line hashed with the hash before it. `line_hash` is the program's own function (store/db/chain.ts).
CREATE TRIGGER run_event_linked AFTER INSERT ON run_event BEGIN
  INSERT INTO chain_link (chain, seq, hash) VALUES (new.run_id, new.seq, line_hash(
    coalesce(
      (SELECT l.hash FROM chain_link l WHERE l.chain = new.run_id ORDER BY l.seq DESC LIMIT 1),
      (SELECT line_hash('', r.id, r.code, r.canner_id, r.plan, r.schedule, r.opened_at, r.opened_by, r.zone, r.gauge_signed_by, r.gauge_signed_reason, r.equipment_signed_by, r.equipment_signed_reason, r.burner_id) FROM run r WHERE r.id = new.run_id)),
    new.seq, new.id, new.run_id, new.at, new.type, new.gauge_kpa, new.temp_c, new.corrects, new.by_name, new.note, new.source, new.detail, new.recorded_at));
END;
--> statement-breakpoint
CREATE TRIGGER audit_linked AFTER INSERT ON audit BEGIN
  INSERT INTO chain_link (chain, seq, hash) VALUES ('audit', new.id, line_hash(
    coalesce((SELECT l.hash FROM chain_link l WHERE l.chain = 'audit' ORDER BY l.seq DESC LIMIT 1), ''),
    new.id, new.at, new.by_id, new.action, new.entity_kind, new.entity_id, new.detail, new.device, new.heard_at));
END;
--> statement-breakpoint
CREATE TRIGGER chain_link_no_update BEFORE UPDATE ON chain_link BEGIN SELECT RAISE(ABORT, 'chain_link is append-only'); END;
--> statement-breakpoint
CREATE TRIGGER chain_link_no_delete BEFORE DELETE ON chain_link BEGIN SELECT RAISE(ABORT, 'chain_link is append-only'); END;
