CREATE TABLE `drill_result` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`person_id` text NOT NULL,
	`at` integer NOT NULL,
	`drill` text NOT NULL,
	`seed` integer NOT NULL,
	`score` integer NOT NULL,
	`marks` text NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "drill_result_score" CHECK("drill_result"."score" between 0 and 100),
	CONSTRAINT "drill_result_marks" CHECK(json_valid("drill_result"."marks"))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `drill_result_id_unique` ON `drill_result` (`id`);--> statement-breakpoint
CREATE INDEX `drill_result_of` ON `drill_result` (`person_id`,`seq`);--> statement-breakpoint
ALTER TABLE `run_event` ADD `source` text;--> statement-breakpoint
ALTER TABLE `run_event` ADD `detail` text;
