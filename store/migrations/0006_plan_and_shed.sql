CREATE TABLE `equipment_check` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`equipment_id` text,
	`item` text NOT NULL,
	`at` integer NOT NULL,
	`finding` text NOT NULL,
	`note` text,
	`by_id` text,
	`run_id` text,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`run_id`) REFERENCES `run`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "equipment_check_finding" CHECK("equipment_check"."finding" in ('sound', 'bad'))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `equipment_check_id_unique` ON `equipment_check` (`id`);--> statement-breakpoint
CREATE INDEX `equipment_check_of` ON `equipment_check` (`equipment_id`,`item`,`seq`);--> statement-breakpoint
CREATE INDEX `equipment_check_run` ON `equipment_check` (`run_id`);--> statement-breakpoint
CREATE TABLE `tool` (
	`id` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`name` text NOT NULL,
	`power_w` real,
	`lowest_kpa` real,
	`outdoors` integer,
	`induction` integer,
	`note` text,
	`created_at` integer NOT NULL,
	CONSTRAINT "tool_kind" CHECK("tool"."kind" in ('burner', 'sealer', 'thermometer')),
	CONSTRAINT "tool_power" CHECK("tool"."power_w" is null or "tool"."power_w" between 100 and 60000),
	CONSTRAINT "tool_lowest" CHECK("tool"."lowest_kpa" is null or "tool"."lowest_kpa" between 0 and 210),
	CONSTRAINT "tool_flags" CHECK(("tool"."outdoors" is null or "tool"."outdoors" in (0, 1)) and ("tool"."induction" is null or "tool"."induction" in (0, 1)))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `tool_name_unique` ON `tool` (`name`);--> statement-breakpoint
CREATE TABLE `container_lid` (
	`container_id` text PRIMARY KEY NOT NULL,
	`supply_id` text NOT NULL,
	`pack_id` text NOT NULL,
	FOREIGN KEY (`supply_id`) REFERENCES `supply`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`pack_id`) REFERENCES `pack`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE INDEX `container_lid_supply` ON `container_lid` (`supply_id`);--> statement-breakpoint
CREATE INDEX `container_lid_pack` ON `container_lid` (`pack_id`);--> statement-breakpoint
CREATE TABLE `supply` (
	`id` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`container` text,
	`mouth` text,
	`label` text NOT NULL,
	`created_at` integer NOT NULL,
	`left` integer DEFAULT 0 NOT NULL,
	CONSTRAINT "supply_kind" CHECK("supply"."kind" in ('jar', 'lid', 'can', 'end')),
	CONSTRAINT "supply_mouth" CHECK(("supply"."mouth" is not null) = ("supply"."kind" in ('jar', 'lid'))),
	CONSTRAINT "supply_container" CHECK(("supply"."container" is null) = ("supply"."kind" = 'lid')),
	CONSTRAINT "supply_left" CHECK("supply"."left" >= 0)
) STRICT;
--> statement-breakpoint
CREATE INDEX `supply_of` ON `supply` (`kind`,`container`,`mouth`);--> statement-breakpoint
CREATE TABLE `supply_change` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`supply_id` text NOT NULL,
	`at` integer NOT NULL,
	`delta` integer NOT NULL,
	`why` text NOT NULL,
	`pack_code` text,
	`by_id` text,
	FOREIGN KEY (`supply_id`) REFERENCES `supply`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "supply_why" CHECK("supply_change"."why" in ('bought', 'packed', 'unpacked', 'opened', 'broken', 'counted')),
	CONSTRAINT "supply_delta" CHECK("supply_change"."delta" between -10000 and 10000)
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `supply_change_id_unique` ON `supply_change` (`id`);--> statement-breakpoint
CREATE INDEX `supply_change_of` ON `supply_change` (`supply_id`,`seq`);--> statement-breakpoint
CREATE TABLE `plan` (
	`id` text PRIMARY KEY NOT NULL,
	`wish` text NOT NULL,
	`created_at` integer NOT NULL,
	`changed_at` integer NOT NULL,
	`by_id` text,
	`closed_at` integer,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "plan_wish" CHECK(json_valid("plan"."wish"))
) STRICT;
--> statement-breakpoint
CREATE INDEX `plan_open` ON `plan` (`closed_at`);--> statement-breakpoint
CREATE TABLE `recipe` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`dish` text NOT NULL,
	`created_at` integer NOT NULL,
	`by_id` text,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "recipe_dish" CHECK("recipe"."dish" in ('stew', 'soup', 'chilli', 'broth'))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `recipe_name_unique` ON `recipe` (`name`);--> statement-breakpoint
CREATE TABLE `recipe_item` (
	`id` text PRIMARY KEY NOT NULL,
	`recipe_id` text NOT NULL,
	`position` integer NOT NULL,
	`name` text NOT NULL,
	`amount_g` integer NOT NULL,
	`role` text,
	FOREIGN KEY (`recipe_id`) REFERENCES `recipe`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "recipe_amount" CHECK("recipe_item"."amount_g" between 0 and 1000000)
) STRICT;
--> statement-breakpoint
CREATE INDEX `recipe_item_of` ON `recipe_item` (`recipe_id`,`position`);--> statement-breakpoint
ALTER TABLE `canner` ADD `inside_diameter_mm` real;--> statement-breakpoint
ALTER TABLE `canner` ADD `usable_height_mm` real;--> statement-breakpoint
ALTER TABLE `canner` ADD `racks` integer;--> statement-breakpoint
ALTER TABLE `canner` ADD `rack_height_mm` real;--> statement-breakpoint
ALTER TABLE `canner` ADD `water_litres` real;--> statement-breakpoint
ALTER TABLE `canner` ADD `water_depth_mm` real;--> statement-breakpoint
ALTER TABLE `canner` ADD `min_load` integer;--> statement-breakpoint
ALTER TABLE `canner` ADD `aluminium` integer;--> statement-breakpoint
ALTER TABLE `canner` ADD `manual` text;--> statement-breakpoint
ALTER TABLE `canner` ADD `depressurise_min` real;--> statement-breakpoint
ALTER TABLE `gauge_check` ADD `at_kpa` real;--> statement-breakpoint
ALTER TABLE `gauge_check` ADD `test_id` text;--> statement-breakpoint
ALTER TABLE `run` ADD `equipment_signed_by` text REFERENCES person(id);--> statement-breakpoint
ALTER TABLE `run` ADD `equipment_signed_reason` text;--> statement-breakpoint
ALTER TABLE `run` ADD `burner_id` text;--> statement-breakpoint
ALTER TABLE `pack` ADD `additions` text;--> statement-breakpoint
ALTER TABLE `pack` ADD `dish` text;
