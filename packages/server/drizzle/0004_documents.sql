CREATE TABLE `documents` (
	`job_id` text NOT NULL,
	`name` text NOT NULL,
	`number` integer NOT NULL,
	`value` text,
	`updated_at` integer NOT NULL,
	PRIMARY KEY(`job_id`, `name`),
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `documents` SELECT `job_id`, 'survey', `number`, `survey`, `updated_at` FROM `surveys`;
--> statement-breakpoint
INSERT INTO `documents` SELECT `job_id`, 'plan', `number`, `plan`, `updated_at` FROM `plans`;
