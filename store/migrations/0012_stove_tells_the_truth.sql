ALTER TABLE `write_key` ADD `payload` text;--> statement-breakpoint
CREATE INDEX `run_event_arrival` ON `run_event` (`run_id`,`seq`);