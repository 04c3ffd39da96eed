CREATE TABLE `bench` (
	`id` text PRIMARY KEY NOT NULL,
	`canner_id` text,
	`work` text NOT NULL,
	`opened_at` integer NOT NULL,
	`by_id` text,
	`closed_at` integer,
	FOREIGN KEY (`canner_id`) REFERENCES `canner`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "bench_work" CHECK(json_valid("bench"."work"))
) STRICT;
--> statement-breakpoint
CREATE INDEX `bench_open` ON `bench` (`closed_at`);--> statement-breakpoint
CREATE TABLE `deviation` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`pack_code` text NOT NULL,
	`container_id` text,
	`kind` text NOT NULL,
	`what` text NOT NULL,
	`reason` text,
	`at` integer NOT NULL,
	`by_id` text,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "deviation_kind" CHECK("deviation"."kind" in ('deviation', 'habit', 'can-unfit')),
	CONSTRAINT "deviation_reason" CHECK("deviation"."kind" = 'habit' or "deviation"."reason" is not null)
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `deviation_id_unique` ON `deviation` (`id`);--> statement-breakpoint
CREATE INDEX `deviation_pack` ON `deviation` (`pack_code`,`seq`);--> statement-breakpoint
CREATE INDEX `deviation_container` ON `deviation` (`container_id`,`seq`);--> statement-breakpoint
CREATE TABLE `school_answer` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`person_id` text NOT NULL,
	`at` integer NOT NULL,
	`lesson` text NOT NULL,
	`seed` integer NOT NULL,
	`named` text NOT NULL,
	`verdict` text NOT NULL,
	`correct` integer NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "school_answer_correct" CHECK("school_answer"."correct" in (0, 1))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `school_answer_id_unique` ON `school_answer` (`id`);--> statement-breakpoint
CREATE INDEX `school_answer_of` ON `school_answer` (`person_id`,`seq`);--> statement-breakpoint
CREATE TABLE `sealer_event` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`sealer_id` text NOT NULL,
	`at` integer NOT NULL,
	`kind` text NOT NULL,
	`event` text NOT NULL,
	`container_id` text,
	`note` text,
	`by_id` text,
	FOREIGN KEY (`sealer_id`) REFERENCES `tool`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "sealer_event_kind" CHECK("sealer_event"."kind" in ('set-up', 'measured', 'jam', 'adjusted', 'stopped')),
	CONSTRAINT "sealer_event_json" CHECK(json_valid("sealer_event"."event"))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `sealer_event_id_unique` ON `sealer_event` (`id`);--> statement-breakpoint
CREATE INDEX `sealer_event_of` ON `sealer_event` (`sealer_id`,`seq`);--> statement-breakpoint
CREATE TABLE `seam_limit` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`container` text NOT NULL,
	`ranges` text NOT NULL,
	`source` text NOT NULL,
	`at` integer NOT NULL,
	`by_id` text,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "seam_limit_json" CHECK(json_valid("seam_limit"."ranges"))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `seam_limit_id_unique` ON `seam_limit` (`id`);--> statement-breakpoint
CREATE INDEX `seam_limit_of` ON `seam_limit` (`container`,`seq`);--> statement-breakpoint
ALTER TABLE `container` ADD `mass_kg` real;--> statement-breakpoint
ALTER TABLE `container` ADD `filled_at` integer;--> statement-breakpoint
ALTER TABLE `container` ADD `replaces` text;--> statement-breakpoint
ALTER TABLE `container` ADD `emptied_at` integer;--> statement-breakpoint
ALTER TABLE `pack` ADD `headspace_in` real;--> statement-breakpoint
ALTER TABLE `pack` ADD `bench_id` text REFERENCES bench(id);--> statement-breakpoint
ALTER TABLE `pack` ADD `bench_part` integer;--> statement-breakpoint
ALTER TABLE `can_check` ADD `juice_c` real;--> statement-breakpoint
ALTER TABLE `can_check` ADD `confirmed` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `can_check` ADD `probe` text;--> statement-breakpoint
ALTER TABLE `can_check` ADD `sealer_id` text;--> statement-breakpoint
ALTER TABLE `can_check` ADD `defects` text;
