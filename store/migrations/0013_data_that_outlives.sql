CREATE TABLE `layout_change` (
	`layout` integer PRIMARY KEY NOT NULL,
	`program` text NOT NULL,
	`at` integer NOT NULL
) STRICT;
--> statement-breakpoint
ALTER TABLE `household` ADD `season_from` text;--> statement-breakpoint
CREATE INDEX `write_key_at` ON `write_key` (`at`);--> statement-breakpoint
CREATE INDEX `storage_extreme` ON `storage_entry` (`room`,`at`) WHERE temp_c <= -1 or temp_c >= 35;