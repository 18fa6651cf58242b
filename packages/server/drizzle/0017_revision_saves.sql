ALTER TABLE `revisions` ADD `save_id` text;--> statement-breakpoint
CREATE UNIQUE INDEX `revisions_save` ON `revisions` (`job_id`,`save_id`);