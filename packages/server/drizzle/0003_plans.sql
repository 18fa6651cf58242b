CREATE TABLE `plans` (
	`job_id` text PRIMARY KEY NOT NULL,
	`number` integer NOT NULL,
	`plan` text,
	`updated_at` integer NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action
);
