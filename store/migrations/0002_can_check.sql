CREATE TABLE `can_check` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`container_id` text NOT NULL,
	`at` integer NOT NULL,
	`temp_c` real,
	`verdict` text,
	`by_id` text,
	FOREIGN KEY (`container_id`) REFERENCES `container`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "can_check_one" CHECK(("can_check"."temp_c" is null) <> ("can_check"."verdict" is null)),
	CONSTRAINT "can_check_temp" CHECK("can_check"."temp_c" is null or "can_check"."temp_c" between -20 and 130),
	CONSTRAINT "can_check_verdict" CHECK("can_check"."verdict" is null or "can_check"."verdict" in ('accept', 'redo'))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `can_check_id_unique` ON `can_check` (`id`);--> statement-breakpoint
CREATE INDEX `can_check_container` ON `can_check` (`container_id`,`seq`);
