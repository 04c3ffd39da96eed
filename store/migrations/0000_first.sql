CREATE TABLE `audit` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`at` integer NOT NULL,
	`by_id` text,
	`action` text NOT NULL,
	`entity_kind` text NOT NULL,
	`entity_id` text NOT NULL,
	`detail` text NOT NULL,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE TABLE `code_register` (
	`code` text PRIMARY KEY NOT NULL,
	`number` integer NOT NULL,
	`kind` text NOT NULL,
	`entity_id` text NOT NULL,
	CONSTRAINT "code_kind" CHECK("code_register"."kind" in ('harvest', 'lot', 'pack', 'container', 'run'))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `code_register_number_unique` ON `code_register` (`number`);--> statement-breakpoint
CREATE UNIQUE INDEX `code_register_entity_id_unique` ON `code_register` (`entity_id`);--> statement-breakpoint
CREATE TABLE `household` (
	`id` integer PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`altitude_m` real NOT NULL,
	`units` text NOT NULL,
	`zone` text NOT NULL,
	`gauge` text NOT NULL,
	`margin_kpa` real DEFAULT 0 NOT NULL,
	`unwatched_limit_s` integer DEFAULT 900 NOT NULL,
	`rest_hours` integer DEFAULT 12 NOT NULL,
	`created_at` integer NOT NULL,
	CONSTRAINT "household_one" CHECK("household"."id" = 1),
	CONSTRAINT "household_altitude" CHECK("household"."altitude_m" between -457.2 and 5181.6),
	CONSTRAINT "household_units" CHECK("household"."units" in ('us', 'metric')),
	CONSTRAINT "household_gauge" CHECK("household"."gauge" in ('dial', 'weighted')),
	CONSTRAINT "household_margin" CHECK("household"."margin_kpa" between 0 and 13.8),
	CONSTRAINT "household_unwatched" CHECK("household"."unwatched_limit_s" between 60 and 3600),
	CONSTRAINT "household_rest" CHECK("household"."rest_hours" between 12 and 48)
) STRICT;
--> statement-breakpoint
CREATE TABLE `person` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`created_at` integer NOT NULL
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `person_name_unique` ON `person` (`name`);--> statement-breakpoint
CREATE TABLE `write_key` (
	`key` text PRIMARY KEY NOT NULL,
	`action` text NOT NULL,
	`result` text NOT NULL,
	`at` integer NOT NULL
) STRICT;
--> statement-breakpoint
CREATE TABLE `canner` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`quarts` real,
	`has_dial` integer NOT NULL,
	`weight_pieces` text NOT NULL,
	`safe_max_kpa` real NOT NULL,
	`created_at` integer NOT NULL,
	CONSTRAINT "canner_dial" CHECK("canner"."has_dial" in (0, 1)),
	CONSTRAINT "canner_quarts" CHECK("canner"."quarts" is null or "canner"."quarts" between 4 and 60),
	CONSTRAINT "canner_max" CHECK("canner"."safe_max_kpa" between 70 and 210),
	CONSTRAINT "canner_pieces" CHECK(json_valid("canner"."weight_pieces"))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `canner_name_unique` ON `canner` (`name`);--> statement-breakpoint
CREATE TABLE `gauge_check` (
	`id` text PRIMARY KEY NOT NULL,
	`canner_id` text NOT NULL,
	`at` integer NOT NULL,
	`error_kpa` real NOT NULL,
	`by_id` text,
	`note` text,
	FOREIGN KEY (`canner_id`) REFERENCES `canner`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "gauge_error" CHECK("gauge_check"."error_kpa" between -70 and 70)
) STRICT;
--> statement-breakpoint
CREATE INDEX `gauge_check_canner` ON `gauge_check` (`canner_id`,`at`);--> statement-breakpoint
CREATE TABLE `harvest` (
	`id` text PRIMARY KEY NOT NULL,
	`code` text NOT NULL,
	`species` text NOT NULL,
	`taken_on` text NOT NULL,
	`place` text,
	`tag` text,
	`count` integer DEFAULT 1 NOT NULL,
	`weight_kg` real,
	`weight_kind` text,
	`by_id` text,
	`note` text,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "harvest_count" CHECK("harvest"."count" between 1 and 10000),
	CONSTRAINT "harvest_weight" CHECK("harvest"."weight_kg" is null or "harvest"."weight_kg" > 0),
	CONSTRAINT "harvest_weight_kind" CHECK("harvest"."weight_kind" is null or "harvest"."weight_kind" in ('live', 'dressed', 'hanging', 'catch')),
	CONSTRAINT "harvest_day" CHECK("harvest"."taken_on" glob '[0-9][0-9][0-9][0-9]-[0-9][0-9]-[0-9][0-9]')
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `harvest_code_unique` ON `harvest` (`code`);--> statement-breakpoint
CREATE INDEX `harvest_taken` ON `harvest` (`taken_on`);--> statement-breakpoint
CREATE TABLE `hold` (
	`id` text PRIMARY KEY NOT NULL,
	`harvest_id` text,
	`lot_id` text,
	`condition` text NOT NULL,
	`at` integer NOT NULL,
	`by_id` text,
	FOREIGN KEY (`harvest_id`) REFERENCES `harvest`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`lot_id`) REFERENCES `lot`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "hold_one" CHECK(("hold"."harvest_id" is null) <> ("hold"."lot_id" is null))
) STRICT;
--> statement-breakpoint
CREATE INDEX `hold_harvest` ON `hold` (`harvest_id`);--> statement-breakpoint
CREATE INDEX `hold_lot` ON `hold` (`lot_id`);--> statement-breakpoint
CREATE TABLE `hold_release` (
	`id` text PRIMARY KEY NOT NULL,
	`hold_id` text NOT NULL,
	`at` integer NOT NULL,
	`by_id` text NOT NULL,
	`reason` text NOT NULL,
	FOREIGN KEY (`hold_id`) REFERENCES `hold`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `hold_release_hold_id_unique` ON `hold_release` (`hold_id`);--> statement-breakpoint
CREATE TABLE `lot` (
	`id` text PRIMARY KEY NOT NULL,
	`code` text NOT NULL,
	`part` text NOT NULL,
	`form` text NOT NULL,
	`made_kg` real NOT NULL,
	`trim_kg` real,
	`kept` text NOT NULL,
	`made_at` integer NOT NULL,
	`by_id` text,
	`note` text,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "lot_form" CHECK("lot"."form" in ('pieces', 'ground', 'bone-in', 'sections', 'smoked', 'bones')),
	CONSTRAINT "lot_weight" CHECK("lot"."made_kg" > 0),
	CONSTRAINT "lot_trim" CHECK("lot"."trim_kg" is null or "lot"."trim_kg" >= 0),
	CONSTRAINT "lot_kept" CHECK("lot"."kept" in ('fridge', 'freezer'))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `lot_code_unique` ON `lot` (`code`);--> statement-breakpoint
CREATE INDEX `lot_made` ON `lot` (`made_at`);--> statement-breakpoint
CREATE TABLE `lot_flow` (
	`id` text PRIMARY KEY NOT NULL,
	`from_harvest` text,
	`from_lot` text,
	`to_lot` text NOT NULL,
	`mass_kg` real NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`from_harvest`) REFERENCES `harvest`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`from_lot`) REFERENCES `lot`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`to_lot`) REFERENCES `lot`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "flow_one_source" CHECK(("lot_flow"."from_harvest" is null) <> ("lot_flow"."from_lot" is null)),
	CONSTRAINT "flow_not_itself" CHECK("lot_flow"."from_lot" is null or "lot_flow"."from_lot" <> "lot_flow"."to_lot"),
	CONSTRAINT "flow_weight" CHECK("lot_flow"."mass_kg" > 0)
) STRICT;
--> statement-breakpoint
CREATE INDEX `flow_to` ON `lot_flow` (`to_lot`);--> statement-breakpoint
CREATE INDEX `flow_from_harvest` ON `lot_flow` (`from_harvest`);--> statement-breakpoint
CREATE INDEX `flow_from_lot` ON `lot_flow` (`from_lot`);--> statement-breakpoint
CREATE TABLE `run` (
	`id` text PRIMARY KEY NOT NULL,
	`code` text NOT NULL,
	`canner_id` text NOT NULL,
	`plan` text NOT NULL,
	`schedule` text NOT NULL,
	`opened_at` integer NOT NULL,
	`opened_by` text,
	`zone` text NOT NULL,
	`gauge_signed_by` text,
	`gauge_signed_reason` text,
	`ended_at` integer,
	`completed_at` integer,
	FOREIGN KEY (`canner_id`) REFERENCES `canner`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`opened_by`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`gauge_signed_by`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "run_signed" CHECK(("run"."gauge_signed_by" is null) = ("run"."gauge_signed_reason" is null)),
	CONSTRAINT "run_plan" CHECK(json_valid("run"."plan") and json_valid("run"."schedule"))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `run_code_unique` ON `run` (`code`);--> statement-breakpoint
CREATE INDEX `run_ended` ON `run` (`ended_at`);--> statement-breakpoint
CREATE TABLE `run_event` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`run_id` text NOT NULL,
	`at` integer NOT NULL,
	`type` text NOT NULL,
	`gauge_kpa` real,
	`temp_c` real,
	`corrects` text,
	`by_name` text,
	`note` text,
	`recorded_at` integer NOT NULL,
	FOREIGN KEY (`run_id`) REFERENCES `run`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "run_event_gauge" CHECK("run_event"."gauge_kpa" is null or "run_event"."gauge_kpa" between -10 and 400)
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `run_event_id_unique` ON `run_event` (`id`);--> statement-breakpoint
CREATE INDEX `run_event_run` ON `run_event` (`run_id`,`at`);--> statement-breakpoint
CREATE TABLE `container` (
	`id` text PRIMARY KEY NOT NULL,
	`code` text NOT NULL,
	`pack_id` text NOT NULL,
	`number` integer NOT NULL,
	FOREIGN KEY (`pack_id`) REFERENCES `pack`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "container_number" CHECK("container"."number" > 0)
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `container_code_unique` ON `container` (`code`);--> statement-breakpoint
CREATE INDEX `container_pack` ON `container` (`pack_id`,`number`);--> statement-breakpoint
CREATE TABLE `pack` (
	`id` text PRIMARY KEY NOT NULL,
	`code` text NOT NULL,
	`product` text NOT NULL,
	`method` text NOT NULL,
	`container` text NOT NULL,
	`mouth` text,
	`liquid` text NOT NULL,
	`salt_tsp_each` real NOT NULL,
	`schedule` text NOT NULL,
	`reused_lids` integer DEFAULT 0 NOT NULL,
	`made_at` integer NOT NULL,
	`by_id` text,
	`run_id` text,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`run_id`) REFERENCES `run`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "pack_method" CHECK("pack"."method" in ('raw', 'hot')),
	CONSTRAINT "pack_salt" CHECK("pack"."salt_tsp_each" between 0 and 4),
	CONSTRAINT "pack_reused" CHECK("pack"."reused_lids" in (0, 1)),
	CONSTRAINT "pack_schedule" CHECK(json_valid("pack"."schedule"))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `pack_code_unique` ON `pack` (`code`);--> statement-breakpoint
CREATE INDEX `pack_run` ON `pack` (`run_id`);--> statement-breakpoint
CREATE TABLE `pack_lot` (
	`pack_id` text NOT NULL,
	`lot_id` text NOT NULL,
	`mass_kg` real NOT NULL,
	PRIMARY KEY(`pack_id`, `lot_id`),
	FOREIGN KEY (`pack_id`) REFERENCES `pack`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`lot_id`) REFERENCES `lot`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "pack_lot_weight" CHECK("pack_lot"."mass_kg" > 0)
) STRICT;
--> statement-breakpoint
CREATE INDEX `pack_lot_lot` ON `pack_lot` (`lot_id`);--> statement-breakpoint
CREATE TABLE `disposition` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`container_id` text NOT NULL,
	`at` integer NOT NULL,
	`what` text NOT NULL,
	`due_at` integer,
	`by_id` text,
	FOREIGN KEY (`container_id`) REFERENCES `container`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "disposition_what" CHECK("disposition"."what" in ('shelve', 'chill', 'freeze', 'repack', 'discard', 'hold'))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `disposition_id_unique` ON `disposition` (`id`);--> statement-breakpoint
CREATE INDEX `disposition_container` ON `disposition` (`container_id`,`seq`);--> statement-breakpoint
CREATE TABLE `movement` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`container_id` text NOT NULL,
	`at` integer NOT NULL,
	`kind` text NOT NULL,
	`place_id` text,
	`by_id` text,
	FOREIGN KEY (`container_id`) REFERENCES `container`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`place_id`) REFERENCES `shelf_place`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "movement_kind" CHECK("movement"."kind" in ('shelved', 'opened', 'given', 'discarded')),
	CONSTRAINT "movement_place" CHECK(("movement"."kind" = 'shelved') = ("movement"."place_id" is not null))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `movement_id_unique` ON `movement` (`id`);--> statement-breakpoint
CREATE INDEX `movement_container` ON `movement` (`container_id`,`seq`);--> statement-breakpoint
CREATE TABLE `seal_check` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`container_id` text NOT NULL,
	`at` integer NOT NULL,
	`finding` text NOT NULL,
	`by_id` text,
	FOREIGN KEY (`container_id`) REFERENCES `container`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "seal_finding" CHECK("seal_check"."finding" in ('sealed', 'failed'))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `seal_check_id_unique` ON `seal_check` (`id`);--> statement-breakpoint
CREATE INDEX `seal_container` ON `seal_check` (`container_id`,`seq`);--> statement-breakpoint
CREATE TABLE `shelf_place` (
	`id` text PRIMARY KEY NOT NULL,
	`room` text NOT NULL,
	`name` text NOT NULL,
	`position` integer NOT NULL,
	`created_at` integer NOT NULL
) STRICT;
