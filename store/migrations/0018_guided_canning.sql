CREATE TABLE `canning` (
	`id` text PRIMARY KEY NOT NULL,
	`work` text NOT NULL,
	`canner_id` text,
	`bench_id` text,
	`opened_at` integer NOT NULL,
	`by_id` text,
	`closed_at` integer,
	FOREIGN KEY (`canner_id`) REFERENCES `canner`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`bench_id`) REFERENCES `bench`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "canning_work" CHECK(json_valid("canning"."work"))
) STRICT;
--> statement-breakpoint
CREATE INDEX `canning_open` ON `canning` (`closed_at`);--> statement-breakpoint
CREATE TABLE `canning_step` (
	`id` text PRIMARY KEY NOT NULL,
	`canning_id` text NOT NULL,
	`key` text NOT NULL,
	`said` text NOT NULL,
	`at` integer NOT NULL,
	`by_id` text,
	FOREIGN KEY (`canning_id`) REFERENCES `canning`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "canning_said" CHECK("canning_step"."said" in ('done', 'sound', 'bad', 'undone'))
) STRICT;
--> statement-breakpoint
CREATE INDEX `canning_step_of` ON `canning_step` (`canning_id`,`at`);