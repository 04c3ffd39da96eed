PRAGMA foreign_keys=OFF;--> statement-breakpoint
CREATE TABLE `__new_household` (
	`id` integer PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`altitude_m` real NOT NULL,
	`units` text NOT NULL,
	`zone` text NOT NULL,
	`decimal` text DEFAULT 'point' NOT NULL,
	`dates` text,
	`hours` integer,
	`season_from` text,
	`gauge` text NOT NULL,
	`margin_kpa` real DEFAULT 0 NOT NULL,
	`unwatched_limit_s` integer DEFAULT 900 NOT NULL,
	`rest_hours` integer DEFAULT 12 NOT NULL,
	`extra_minutes` integer DEFAULT 0 NOT NULL,
	`eaters` integer DEFAULT 2 NOT NULL,
	`currency` text DEFAULT '$' NOT NULL,
	`created_at` integer NOT NULL,
	CONSTRAINT "household_one" CHECK("__new_household"."id" = 1),
	CONSTRAINT "household_altitude" CHECK("__new_household"."altitude_m" between -457.2 and 5181.6),
	CONSTRAINT "household_units" CHECK("__new_household"."units" in ('us', 'metric')),
	CONSTRAINT "household_decimal" CHECK("__new_household"."decimal" in ('point', 'comma')),
	CONSTRAINT "household_dates" CHECK("__new_household"."dates" in ('us', 'metric')),
	CONSTRAINT "household_hours" CHECK("__new_household"."hours" in (12, 24)),
	CONSTRAINT "household_gauge" CHECK("__new_household"."gauge" in ('dial', 'weighted')),
	CONSTRAINT "household_margin" CHECK("__new_household"."margin_kpa" between 0 and 13.8),
	CONSTRAINT "household_unwatched" CHECK("__new_household"."unwatched_limit_s" between 60 and 3600),
	CONSTRAINT "household_rest" CHECK("__new_household"."rest_hours" between 12 and 48)
) STRICT;
--> statement-breakpoint
INSERT INTO `__new_household`("id", "name", "altitude_m", "units", "zone", "decimal", "dates", "hours", "season_from", "gauge", "margin_kpa", "unwatched_limit_s", "rest_hours", "extra_minutes", "eaters", "currency", "created_at") SELECT "id", "name", "altitude_m", "units", "zone", "decimal", null, null, "season_from", "gauge", "margin_kpa", "unwatched_limit_s", "rest_hours", "extra_minutes", "eaters", "currency", "created_at" FROM `household`;--> statement-breakpoint
DROP TABLE `household`;--> statement-breakpoint
ALTER TABLE `__new_household` RENAME TO `household`;--> statement-breakpoint
PRAGMA foreign_keys=ON;