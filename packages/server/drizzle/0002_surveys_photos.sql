CREATE TABLE `photos` (
	`id` text PRIMARY KEY NOT NULL,
	`job_id` text NOT NULL,
	`station` text NOT NULL,
	`width` integer NOT NULL,
	`height` integer NOT NULL,
	`pins` text NOT NULL,
	`jpeg` blob NOT NULL,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `photos_job` ON `photos` (`job_id`);--> statement-breakpoint
CREATE TABLE `surveys` (
	`job_id` text PRIMARY KEY NOT NULL,
	`number` integer NOT NULL,
	`survey` text NOT NULL,
	`updated_at` integer NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action
);
