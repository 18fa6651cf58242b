CREATE TABLE `firm` (
	`id` integer PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`contact` text NOT NULL
);
--> statement-breakpoint
ALTER TABLE `jobs` ADD `brought_by` text;--> statement-breakpoint
ALTER TABLE `jobs` ADD `brought_at` integer;--> statement-breakpoint
ALTER TABLE `record_entries` ADD `brought_by` text;--> statement-breakpoint
ALTER TABLE `sites` ADD `address` text DEFAULT '' NOT NULL;--> statement-breakpoint
UPDATE `sites` SET `name` = substr(`name`, 1, 60) || ' (' || `id` || ')' WHERE EXISTS (SELECT 1 FROM `sites` AS `earlier` WHERE `earlier`.`name` = `sites`.`name` AND `earlier`.rowid < `sites`.rowid);--> statement-breakpoint
CREATE UNIQUE INDEX `sites_name_unique` ON `sites` (`name`);