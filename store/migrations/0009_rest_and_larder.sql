CREATE TABLE `pack_from` (
	`pack_id` text NOT NULL,
	`lot_id` text NOT NULL,
	`mass_kg` real NOT NULL,
	`via` text DEFAULT '' NOT NULL,
	PRIMARY KEY(`pack_id`, `lot_id`, `via`)
) STRICT;
--> statement-breakpoint
CREATE INDEX `pack_from_lot` ON `pack_from` (`lot_id`);--> statement-breakpoint
CREATE TABLE `repacked` (
	`pack_id` text NOT NULL,
	`container_id` text NOT NULL,
	`lot_id` text NOT NULL,
	`mass_kg` real NOT NULL,
	PRIMARY KEY(`pack_id`, `container_id`, `lot_id`),
	FOREIGN KEY (`pack_id`) REFERENCES `pack`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`container_id`) REFERENCES `container`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`lot_id`) REFERENCES `lot`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "repacked_weight" CHECK("repacked"."mass_kg" > 0)
) STRICT;
--> statement-breakpoint
CREATE INDEX `repacked_container` ON `repacked` (`container_id`);--> statement-breakpoint
CREATE INDEX `repacked_lot` ON `repacked` (`lot_id`);--> statement-breakpoint
CREATE TABLE `opening` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`container_id` text NOT NULL,
	`at` integer NOT NULL,
	`signs` text NOT NULL,
	`note` text,
	`by_id` text,
	FOREIGN KEY (`container_id`) REFERENCES `container`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "opening_json" CHECK(json_valid("opening"."signs"))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `opening_id_unique` ON `opening` (`id`);--> statement-breakpoint
CREATE INDEX `opening_container` ON `opening` (`container_id`);--> statement-breakpoint
CREATE TABLE `price` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`key` text NOT NULL,
	`amount` real NOT NULL,
	`at` integer NOT NULL,
	`by_id` text,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "price_amount" CHECK("price"."amount" between 0 and 1000000)
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `price_id_unique` ON `price` (`id`);--> statement-breakpoint
CREATE INDEX `price_key` ON `price` (`key`,`seq`);--> statement-breakpoint
CREATE TABLE `storage_entry` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`room` text NOT NULL,
	`at` integer NOT NULL,
	`temp_c` real NOT NULL,
	`probe` text,
	`by_id` text,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "storage_temp" CHECK("storage_entry"."temp_c" between -60 and 70)
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `storage_entry_id_unique` ON `storage_entry` (`id`);--> statement-breakpoint
CREATE INDEX `storage_room` ON `storage_entry` (`room`,`at`);--> statement-breakpoint
CREATE TABLE `recall` (
	`id` text PRIMARY KEY NOT NULL,
	`container_id` text NOT NULL,
	`at` integer NOT NULL,
	`by_id` text,
	`reason` text NOT NULL,
	`doubts` text NOT NULL,
	FOREIGN KEY (`container_id`) REFERENCES `container`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "recall_doubts" CHECK(json_valid("recall"."doubts"))
) STRICT;
--> statement-breakpoint
CREATE INDEX `recall_at` ON `recall` (`at`);--> statement-breakpoint
CREATE TABLE `recall_item` (
	`recall_id` text NOT NULL,
	`container_id` text NOT NULL,
	PRIMARY KEY(`recall_id`, `container_id`),
	FOREIGN KEY (`recall_id`) REFERENCES `recall`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`container_id`) REFERENCES `container`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE INDEX `recall_item_container` ON `recall_item` (`container_id`);--> statement-breakpoint
CREATE TABLE `recall_lift` (
	`id` text PRIMARY KEY NOT NULL,
	`recall_id` text NOT NULL,
	`container_id` text,
	`at` integer NOT NULL,
	`by_id` text NOT NULL,
	`reason` text NOT NULL,
	FOREIGN KEY (`recall_id`) REFERENCES `recall`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`container_id`) REFERENCES `container`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE INDEX `recall_lift_of` ON `recall_lift` (`recall_id`,`container_id`);--> statement-breakpoint
CREATE TABLE `__new_movement` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`container_id` text NOT NULL,
	`at` integer NOT NULL,
	`kind` text NOT NULL,
	`place_id` text,
	`note` text,
	`by_id` text,
	FOREIGN KEY (`container_id`) REFERENCES `container`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`place_id`) REFERENCES `shelf_place`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "movement_kind" CHECK("__new_movement"."kind" in ('shelved', 'opened', 'given', 'discarded', 'missing')),
	CONSTRAINT "movement_place" CHECK(("__new_movement"."kind" = 'shelved') = ("__new_movement"."place_id" is not null))
) STRICT;
--> statement-breakpoint
INSERT INTO `__new_movement`("seq", "id", "container_id", "at", "kind", "place_id", "by_id") SELECT "seq", "id", "container_id", "at", "kind", "place_id", "by_id" FROM `movement`;--> statement-breakpoint
DROP TABLE `movement`;--> statement-breakpoint
ALTER TABLE `__new_movement` RENAME TO `movement`;--> statement-breakpoint
CREATE UNIQUE INDEX `movement_id_unique` ON `movement` (`id`);--> statement-breakpoint
CREATE INDEX `movement_container` ON `movement` (`container_id`,`seq`);--> statement-breakpoint
CREATE INDEX `movement_taken` ON `movement` (`at`) WHERE kind <> 'shelved';--> statement-breakpoint
ALTER TABLE `household` ADD `eaters` integer DEFAULT 2 NOT NULL;--> statement-breakpoint
ALTER TABLE `household` ADD `currency` text DEFAULT '$' NOT NULL;--> statement-breakpoint
ALTER TABLE `container` ADD `seal` text;--> statement-breakpoint
ALTER TABLE `container` ADD `sealed_at` integer;--> statement-breakpoint
ALTER TABLE `container` ADD `disposition` text;--> statement-breakpoint
ALTER TABLE `container` ADD `disposition_due` integer;--> statement-breakpoint
ALTER TABLE `container` ADD `moved` text;--> statement-breakpoint
ALTER TABLE `container` ADD `moved_at` integer;--> statement-breakpoint
ALTER TABLE `container` ADD `place_id` text;--> statement-breakpoint
ALTER TABLE `container` ADD `canned_at` integer;--> statement-breakpoint
ALTER TABLE `container` ADD `set_aside` text;--> statement-breakpoint
CREATE INDEX `container_shelf` ON `container` (`place_id`,`canned_at`,`code`) WHERE moved = 'shelved';--> statement-breakpoint
CREATE INDEX `container_oldest` ON `container` (`canned_at`,`code`) WHERE moved = 'shelved';--> statement-breakpoint
CREATE INDEX `container_place` ON `container` (`place_id`);--> statement-breakpoint
CREATE INDEX `container_ready` ON `container` (`sealed_at`) WHERE seal = 'sealed' and moved is null and disposition is null;--> statement-breakpoint
CREATE INDEX `container_failed` ON `container` (`sealed_at`) WHERE seal = 'failed' and moved is null and disposition is null;--> statement-breakpoint
CREATE INDEX `container_promised` ON `container` (`disposition_due`) WHERE disposition in ('chill', 'repack') and moved is null;--> statement-breakpoint
CREATE INDEX `container_emptied` ON `container` (`emptied_at`) WHERE emptied_at is not null;--> statement-breakpoint
CREATE INDEX `container_aside` ON `container` (`set_aside`) WHERE set_aside is not null;--> statement-breakpoint
ALTER TABLE `seal_check` ADD `seen` text;--> statement-breakpoint
CREATE TABLE `__new_shelf_place` (
	`id` text PRIMARY KEY NOT NULL,
	`room` text NOT NULL,
	`name` text NOT NULL,
	`position` integer NOT NULL,
	`created_at` integer NOT NULL,
	`kind` text DEFAULT 'shelf' NOT NULL,
	`capacity` integer,
	`standing` integer DEFAULT 0 NOT NULL,
	`retired_at` integer,
	CONSTRAINT "shelf_kind" CHECK("__new_shelf_place"."kind" in ('shelf', 'box')),
	CONSTRAINT "shelf_capacity" CHECK("__new_shelf_place"."capacity" is null or "__new_shelf_place"."capacity" between 1 and 10000)
) STRICT;
--> statement-breakpoint
INSERT INTO `__new_shelf_place`("id", "room", "name", "position", "created_at") SELECT "id", "room", "name", "position", "created_at" FROM `shelf_place`;--> statement-breakpoint
DROP TABLE `shelf_place`;--> statement-breakpoint
ALTER TABLE `__new_shelf_place` RENAME TO `shelf_place`;--> statement-breakpoint
CREATE INDEX `run_unserved` ON `run` (`ended_at`) WHERE completed_at is null;
--> statement-breakpoint
-- How each container stands, from what happened to it until now.
UPDATE container SET
  seal = (SELECT s.finding FROM seal_check s WHERE s.container_id = container.id ORDER BY s.seq DESC LIMIT 1),
  sealed_at = (SELECT s.at FROM seal_check s WHERE s.container_id = container.id ORDER BY s.seq DESC LIMIT 1),
  disposition = (SELECT d.what FROM disposition d WHERE d.container_id = container.id ORDER BY d.seq DESC LIMIT 1),
  disposition_due = (SELECT d.due_at FROM disposition d WHERE d.container_id = container.id ORDER BY d.seq DESC LIMIT 1),
  moved = (SELECT m.kind FROM movement m WHERE m.container_id = container.id ORDER BY m.seq DESC LIMIT 1),
  moved_at = (SELECT m.at FROM movement m WHERE m.container_id = container.id ORDER BY m.seq DESC LIMIT 1),
  place_id = (SELECT m.place_id FROM movement m WHERE m.container_id = container.id AND m.place_id IS NOT NULL ORDER BY m.seq DESC LIMIT 1),
  canned_at = (SELECT r.completed_at FROM pack p JOIN run r ON r.id = p.run_id WHERE p.id = container.pack_id);
--> statement-breakpoint
UPDATE shelf_place SET standing = (SELECT count(*) FROM container c WHERE c.moved = 'shelved' AND c.place_id = shelf_place.id);
--> statement-breakpoint
-- What went into a pack, by lot.
INSERT INTO pack_from (pack_id, lot_id, mass_kg) SELECT pack_id, lot_id, mass_kg FROM pack_lot;
