CREATE TABLE `document_saves` (
	`owner` text NOT NULL,
	`owner_id` text NOT NULL,
	`name` text NOT NULL,
	`id` text NOT NULL,
	`number` integer NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`owner`, `owner_id`, `name`, `id`)
);
