ALTER TABLE `person` ADD `may` text DEFAULT 'all' NOT NULL CONSTRAINT "person_may" CHECK("may" in ('all', 'tap', 'look'));--> statement-breakpoint
ALTER TABLE `session` ADD `may` text DEFAULT 'all' NOT NULL CONSTRAINT "session_may" CHECK("may" in ('all', 'tap', 'look'));
