CREATE TABLE `invitations` (
	`code_hash` text PRIMARY KEY NOT NULL,
	`role` text NOT NULL,
	`made_by` text,
	`expires_at` integer NOT NULL,
	`used_at` integer,
	FOREIGN KEY (`made_by`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `passkeys` (
	`id` text PRIMARY KEY NOT NULL,
	`person_id` text NOT NULL,
	`public_key` blob NOT NULL,
	`counter` integer NOT NULL,
	`device` text NOT NULL,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `people` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`role` text NOT NULL,
	`password_hash` text NOT NULL,
	`created_at` integer NOT NULL,
	`left_at` integer
);
--> statement-breakpoint
CREATE UNIQUE INDEX `people_name_unique` ON `people` (`name`);--> statement-breakpoint
CREATE TABLE `sessions` (
	`id` text PRIMARY KEY NOT NULL,
	`token_hash` text NOT NULL,
	`person_id` text NOT NULL,
	`device` text NOT NULL,
	`created_at` integer NOT NULL,
	`seen_at` integer NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `sessions_token_hash_unique` ON `sessions` (`token_hash`);--> statement-breakpoint
ALTER TABLE `documents` ADD `written_by` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `photos` ADD `written_by` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `readings` ADD `written_by` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `revisions` ADD `written_by` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `site_documents` ADD `written_by` text DEFAULT '' NOT NULL;