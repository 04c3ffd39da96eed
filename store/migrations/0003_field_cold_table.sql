CREATE TABLE `harvest_loss` (
	`id` text PRIMARY KEY NOT NULL,
	`harvest_id` text NOT NULL,
	`what` text NOT NULL,
	`mass_kg` real NOT NULL,
	`at` integer NOT NULL,
	`by_id` text,
	FOREIGN KEY (`harvest_id`) REFERENCES `harvest`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "loss_weight" CHECK("harvest_loss"."mass_kg" > 0)
) STRICT;
--> statement-breakpoint
CREATE INDEX `loss_harvest` ON `harvest_loss` (`harvest_id`);--> statement-breakpoint
CREATE TABLE `harvest_share` (
	`harvest_id` text NOT NULL,
	`who` text NOT NULL,
	`fraction` real NOT NULL,
	PRIMARY KEY(`harvest_id`, `who`),
	FOREIGN KEY (`harvest_id`) REFERENCES `harvest`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "share_fraction" CHECK("harvest_share"."fraction" > 0 and "harvest_share"."fraction" <= 1)
) STRICT;
--> statement-breakpoint
CREATE TABLE `individual` (
	`harvest_id` text NOT NULL,
	`number` integer NOT NULL,
	`weight_kg` real,
	`length_m` real,
	PRIMARY KEY(`harvest_id`, `number`),
	FOREIGN KEY (`harvest_id`) REFERENCES `harvest`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "individual_number" CHECK("individual"."number" > 0),
	CONSTRAINT "individual_weight" CHECK("individual"."weight_kg" is null or "individual"."weight_kg" > 0),
	CONSTRAINT "individual_length" CHECK("individual"."length_m" is null or "individual"."length_m" > 0)
) STRICT;
--> statement-breakpoint
CREATE TABLE `own_species` (
	`key` text PRIMARY KEY NOT NULL,
	`created_at` integer NOT NULL,
	`by_id` text,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE TABLE `photo` (
	`id` text PRIMARY KEY NOT NULL,
	`harvest_id` text NOT NULL,
	`bytes` integer NOT NULL,
	`width` integer NOT NULL,
	`height` integer NOT NULL,
	`keeps_place` integer NOT NULL,
	`at` integer NOT NULL,
	`by_id` text,
	`removed_at` integer,
	FOREIGN KEY (`harvest_id`) REFERENCES `harvest`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "photo_place" CHECK("photo"."keeps_place" in (0, 1))
) STRICT;
--> statement-breakpoint
CREATE INDEX `photo_harvest` ON `photo` (`harvest_id`);--> statement-breakpoint
CREATE TABLE `lot_event` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`lot_id` text NOT NULL,
	`at` integer NOT NULL,
	`kind` text NOT NULL,
	`event` text NOT NULL,
	`change_kg` real NOT NULL,
	`by_id` text,
	FOREIGN KEY (`lot_id`) REFERENCES `lot`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "lot_event_json" CHECK(json_valid("lot_event"."event"))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `lot_event_id_unique` ON `lot_event` (`id`);--> statement-breakpoint
CREATE INDEX `lot_event_lot` ON `lot_event` (`lot_id`,`seq`);--> statement-breakpoint
CREATE TABLE `lot_origin` (
	`lot_id` text NOT NULL,
	`harvest_id` text NOT NULL,
	`share` real NOT NULL,
	PRIMARY KEY(`lot_id`, `harvest_id`),
	FOREIGN KEY (`lot_id`) REFERENCES `lot`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`harvest_id`) REFERENCES `harvest`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "origin_share" CHECK("lot_origin"."share" > 0 and "lot_origin"."share" <= 1.000001)
) STRICT;
--> statement-breakpoint
CREATE INDEX `origin_harvest` ON `lot_origin` (`harvest_id`);--> statement-breakpoint
CREATE TABLE `cold_entry` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`harvest_id` text NOT NULL,
	`at` integer NOT NULL,
	`temp_c` real,
	`place` text,
	`source` text NOT NULL,
	`probe` text,
	`by_id` text,
	`corrects` text,
	FOREIGN KEY (`harvest_id`) REFERENCES `harvest`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "cold_something" CHECK("cold_entry"."temp_c" is not null or "cold_entry"."place" is not null or "cold_entry"."corrects" is not null),
	CONSTRAINT "cold_temp" CHECK("cold_entry"."temp_c" is null or "cold_entry"."temp_c" between -60 and 60),
	CONSTRAINT "cold_source" CHECK("cold_entry"."source" in ('tap', 'file', 'probe'))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `cold_entry_id_unique` ON `cold_entry` (`id`);--> statement-breakpoint
CREATE INDEX `cold_harvest` ON `cold_entry` (`harvest_id`,`at`);--> statement-breakpoint
PRAGMA foreign_keys=OFF;--> statement-breakpoint
CREATE TABLE `__new_lot` (
	`id` text PRIMARY KEY NOT NULL,
	`code` text NOT NULL,
	`part` text NOT NULL,
	`form` text NOT NULL,
	`made_kg` real NOT NULL,
	`trim_kg` real,
	`kept` text NOT NULL,
	`place` text,
	`frozen_at` integer,
	`thaw` text,
	`treatments` text NOT NULL,
	`last_at` integer NOT NULL,
	`left_kg` real NOT NULL,
	`for_whom` text,
	`made_at` integer NOT NULL,
	`by_id` text,
	`note` text,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "lot_form" CHECK("__new_lot"."form" in ('pieces', 'strips', 'ground', 'bone-in', 'sections', 'roast', 'smoked', 'bones', 'broth')),
	CONSTRAINT "lot_weight" CHECK("__new_lot"."made_kg" > 0),
	CONSTRAINT "lot_trim" CHECK("__new_lot"."trim_kg" is null or "__new_lot"."trim_kg" >= 0),
	CONSTRAINT "lot_kept" CHECK("__new_lot"."kept" in ('fridge', 'freezer', 'thawing')),
	CONSTRAINT "lot_left" CHECK("__new_lot"."left_kg" >= 0),
	CONSTRAINT "lot_treatments" CHECK(json_valid("__new_lot"."treatments"))
) STRICT;
--> statement-breakpoint
INSERT INTO `__new_lot`("id", "code", "part", "form", "made_kg", "trim_kg", "kept", "frozen_at", "treatments", "last_at", "left_kg", "made_at", "by_id", "note")
SELECT "id", "code", "part", "form", "made_kg", "trim_kg", "kept", CASE "kept" WHEN 'freezer' THEN "made_at" END, '[]', "made_at",
  max(0, "made_kg" - coalesce((SELECT sum(f.mass_kg) FROM lot_flow f WHERE f.from_lot = lot.id), 0) - coalesce((SELECT sum(x.mass_kg) FROM pack_lot x WHERE x.lot_id = lot.id), 0)),
  "made_at", "by_id", "note" FROM `lot`;--> statement-breakpoint
DROP TABLE `lot`;--> statement-breakpoint
ALTER TABLE `__new_lot` RENAME TO `lot`;--> statement-breakpoint
PRAGMA foreign_keys=ON;--> statement-breakpoint
CREATE UNIQUE INDEX `lot_code_unique` ON `lot` (`code`);--> statement-breakpoint
CREATE INDEX `lot_made` ON `lot` (`made_at`);--> statement-breakpoint
CREATE INDEX `lot_in_hand` ON `lot` (`made_at`) WHERE left_kg > 0.02;--> statement-breakpoint
ALTER TABLE `harvest` ADD `sex` text;--> statement-breakpoint
ALTER TABLE `harvest` ADD `age` text;--> statement-breakpoint
ALTER TABLE `harvest` ADD `taken_by` text;--> statement-breakpoint
ALTER TABLE `harvest` ADD `killed_at` integer;--> statement-breakpoint
ALTER TABLE `harvest` ADD `gutted_at` integer;--> statement-breakpoint
ALTER TABLE `harvest` ADD `cooled_at` integer;--> statement-breakpoint
ALTER TABLE `hold` ADD `kind` text DEFAULT 'doubt' NOT NULL CONSTRAINT "hold_kind" CHECK("kind" in ('test', 'doubt', 'other'));--> statement-breakpoint
-- Until now every lot was cut from animals alone, so its shares are those of its flows.
INSERT INTO lot_origin (lot_id, harvest_id, share)
SELECT f.to_lot, f.from_harvest, sum(f.mass_kg) / (SELECT sum(a.mass_kg) FROM lot_flow a WHERE a.to_lot = f.to_lot)
FROM lot_flow f WHERE f.from_harvest IS NOT NULL GROUP BY f.to_lot, f.from_harvest;
