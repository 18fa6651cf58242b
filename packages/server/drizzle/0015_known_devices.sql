CREATE TABLE `known_devices` (
	`id` text PRIMARY KEY NOT NULL,
	`person_id` text NOT NULL,
	`token_hash` text NOT NULL,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `known_devices_token` ON `known_devices` (`token_hash`,`person_id`);--> statement-breakpoint
ALTER TABLE `invitations` ADD `for_id` text REFERENCES people(id);--> statement-breakpoint
ALTER TABLE `sessions` ADD `known_id` text REFERENCES known_devices(id) ON DELETE SET NULL;--> statement-breakpoint
-- Whoever is signed in as this comes in stays who they are: their devices are known, by a token that no cookie carries.
INSERT INTO `known_devices` SELECT `id`, `person_id`, lower(hex(randomblob(32))), `created_at` FROM `sessions`;--> statement-breakpoint
UPDATE `sessions` SET `known_id` = `id`;
