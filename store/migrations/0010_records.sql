CREATE TABLE `chain_link` (
	`chain` text NOT NULL,
	`seq` integer NOT NULL,
	`hash` text NOT NULL,
	PRIMARY KEY(`chain`, `seq`)
) STRICT;
--> statement-breakpoint
CREATE TABLE `device_token` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`right` text NOT NULL,
	`canner_id` text,
	`hash` text NOT NULL,
	`created_at` integer NOT NULL,
	`by_id` text,
	`revoked_at` integer,
	FOREIGN KEY (`canner_id`) REFERENCES `canner`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`by_id`) REFERENCES `person`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "device_right" CHECK("device_token"."right" in ('gauge', 'probe', 'scale', 'read')),
	CONSTRAINT "device_gauge" CHECK(("device_token"."right" = 'gauge') = ("device_token"."canner_id" is not null))
) STRICT;
--> statement-breakpoint
CREATE UNIQUE INDEX `device_token_hash_unique` ON `device_token` (`hash`);--> statement-breakpoint
CREATE TABLE `secret` (
	`name` text PRIMARY KEY NOT NULL,
	`hash` text NOT NULL,
	`changed_at` integer NOT NULL
) STRICT;
--> statement-breakpoint
CREATE TABLE `session` (
	`hash` text PRIMARY KEY NOT NULL,
	`former_hash` text,
	`device` text NOT NULL,
	`created_at` integer NOT NULL,
	`rotated_at` integer NOT NULL,
	`expires_at` integer NOT NULL
) STRICT;
--> statement-breakpoint
CREATE INDEX `session_former` ON `session` (`former_hash`);--> statement-breakpoint
ALTER TABLE `audit` ADD `device` text;--> statement-breakpoint
ALTER TABLE `audit` ADD `heard_at` integer;--> statement-breakpoint
CREATE INDEX `audit_action` ON `audit` (`action`,`id`);--> statement-breakpoint
CREATE INDEX `audit_entity` ON `audit` (`entity_id`,`id`);--> statement-breakpoint
CREATE INDEX `pack_like` ON `pack` (`product`,`method`,`container`,`made_at`);
