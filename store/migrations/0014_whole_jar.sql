ALTER TABLE `household` ADD `extra_minutes` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `pack` ADD `liquid_name` text;--> statement-breakpoint
ALTER TABLE `pack` ADD `liquid_litres` real;--> statement-breakpoint
ALTER TABLE `pack` ADD `ingredients` text;--> statement-breakpoint
ALTER TABLE `pack_from` ADD `as_liquid` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `pack_lot` ADD `as_liquid` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `repacked` ADD `as_liquid` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `recipe` ADD `lines` text;--> statement-breakpoint
ALTER TABLE `recipe` ADD `archived_at` integer;