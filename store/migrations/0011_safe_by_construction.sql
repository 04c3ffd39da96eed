CREATE TABLE `acceptance` (
	`product` text PRIMARY KEY NOT NULL,
	`at` integer NOT NULL,
	`by_id` text NOT NULL,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
ALTER TABLE `household` ADD `decimal` text DEFAULT 'point' NOT NULL CONSTRAINT "household_decimal" CHECK(`decimal` in ('point', 'comma'));--> statement-breakpoint
ALTER TABLE `gauge_check` ADD `tested_by` text;--> statement-breakpoint
ALTER TABLE `gauge_check` ADD `against` text;--> statement-breakpoint
ALTER TABLE `lot` ADD `fresh_until` integer;--> statement-breakpoint
ALTER TABLE `lot` ADD `fresh_left_ms` integer;--> statement-breakpoint
ALTER TABLE `lot` ADD `warm_from` integer;--> statement-breakpoint
-- Lots from before days were counted: in the refrigerator since they were made, or since the last thing known of them where they
-- were frozen in between; 5 days for a roast, 4 for what is cooked, 2 for the rest (core/lot/fresh.ts).
UPDATE lot SET fresh_until =
    CASE WHEN EXISTS (SELECT 1 FROM lot_event e WHERE e.lot_id = lot.id AND e.kind = 'freeze') THEN last_at ELSE made_at END
    + 86400000 * CASE WHEN form = 'broth' OR treatments LIKE '%"cook"%' THEN 4 WHEN form = 'roast' THEN 5 ELSE 2 END
  WHERE kept = 'fridge';
--> statement-breakpoint
CREATE TABLE `shelf_check` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`container_id` text NOT NULL,
	`at` integer NOT NULL,
	`by_id` text,
	FOREIGN KEY (`container_id`) REFERENCES `container`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `shelf_check_id_unique` ON `shelf_check` (`id`);--> statement-breakpoint
CREATE INDEX `shelf_check_container` ON `shelf_check` (`container_id`,`at`);
