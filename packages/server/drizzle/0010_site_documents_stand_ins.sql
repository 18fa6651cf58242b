CREATE TABLE `site_documents` (
	`site_id` text NOT NULL,
	`name` text NOT NULL,
	`number` integer NOT NULL,
	`value` text,
	`updated_at` integer NOT NULL,
	PRIMARY KEY(`site_id`, `name`),
	FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `stand_ins` (
	`id` text NOT NULL,
	`kind` text NOT NULL,
	`value` text NOT NULL,
	`updated_at` integer NOT NULL,
	PRIMARY KEY(`kind`, `id`)
);
