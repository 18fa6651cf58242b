CREATE TABLE `door_events` (
	`id` text PRIMARY KEY NOT NULL,
	`person_id` text NOT NULL,
	`what` text NOT NULL,
	`session_id` text,
	`detail` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `door_events_person` ON `door_events` (`person_id`,`at`);--> statement-breakpoint
ALTER TABLE `sessions` ADD `told_at` integer;