CREATE TABLE `recall_word` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`recall_id` text NOT NULL,
	`recipient` text NOT NULL,
	`kind` text NOT NULL,
	`words` text NOT NULL,
	`at` integer NOT NULL,
	`by_id` text NOT NULL,
	FOREIGN KEY (`recall_id`) REFERENCES `recall`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "recall_word_kind" CHECK("recall_word"."kind" in ('told', 'answered'))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `recall_word_id_unique` ON `recall_word` (`id`);--> statement-breakpoint
CREATE INDEX `recall_word_of` ON `recall_word` (`recall_id`,`seq`);--> statement-breakpoint
CREATE TABLE `comparing` (
	`person_id` text PRIMARY KEY NOT NULL,
	`product` text NOT NULL,
	`since` integer NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE TABLE `comparison` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`product` text NOT NULL,
	`guide_id` text NOT NULL,
	`page` text NOT NULL,
	`typed` text NOT NULL,
	`at` integer NOT NULL,
	`by_id` text NOT NULL,
	`device` text NOT NULL,
	`known` text NOT NULL,
	FOREIGN KEY (`guide_id`) REFERENCES `guide`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "comparison_typed" CHECK(json_valid("comparison"."typed")),
	CONSTRAINT "comparison_known" CHECK("comparison"."known" in ('pin', 'chosen'))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `comparison_id_unique` ON `comparison` (`id`);--> statement-breakpoint
CREATE INDEX `comparison_product` ON `comparison` (`product`,`seq`);--> statement-breakpoint
CREATE TABLE `guide` (
	`id` text PRIMARY KEY NOT NULL,
	`title` text NOT NULL,
	`edition` integer NOT NULL,
	`at` integer NOT NULL,
	`by_id` text,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "guide_edition" CHECK("guide"."edition" between 1909 and 2200)
) STRICT;
--> statement-breakpoint
CREATE TABLE `office_schedule` (
	`id` text PRIMARY KEY NOT NULL,
	`product` text NOT NULL,
	`method` text NOT NULL,
	`container` text NOT NULL,
	`gauge` text NOT NULL,
	`altitude_m` real NOT NULL,
	`minutes` integer NOT NULL,
	`pressure_psi` real NOT NULL,
	`office` text NOT NULL,
	`given_on` text NOT NULL,
	`note` text,
	`photo_id` text,
	`at` integer NOT NULL,
	`by_id` text NOT NULL,
	`ended_at` integer,
	FOREIGN KEY (`photo_id`) REFERENCES `page_photo`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "office_method" CHECK("office_schedule"."method" in ('raw', 'hot')),
	CONSTRAINT "office_gauge" CHECK("office_schedule"."gauge" in ('dial', 'weighted')),
	CONSTRAINT "office_minutes" CHECK("office_schedule"."minutes" between 1 and 600),
	CONSTRAINT "office_altitude" CHECK("office_schedule"."altitude_m" between -457.2 and 5181.6)
) STRICT;
--> statement-breakpoint
CREATE INDEX `office_product` ON `office_schedule` (`product`,`container`);--> statement-breakpoint
CREATE TABLE `page_photo` (
	`id` text PRIMARY KEY NOT NULL,
	`guide_id` text,
	`product` text,
	`bytes` integer NOT NULL,
	`width` integer NOT NULL,
	`height` integer NOT NULL,
	`at` integer NOT NULL,
	`by_id` text,
	FOREIGN KEY (`guide_id`) REFERENCES `guide`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE INDEX `page_photo_of` ON `page_photo` (`product`,`guide_id`);--> statement-breakpoint
CREATE TABLE `row_decision` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`product` text NOT NULL,
	`kind` text NOT NULL,
	`reason` text NOT NULL,
	`at` integer NOT NULL,
	`by_id` text NOT NULL,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "row_decision_kind" CHECK("row_decision"."kind" in ('keep', 'take'))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `row_decision_id_unique` ON `row_decision` (`id`);--> statement-breakpoint
ALTER TABLE `audit` ADD `known` text CONSTRAINT "audit_known" CHECK("known" in ('pin', 'chosen'));
