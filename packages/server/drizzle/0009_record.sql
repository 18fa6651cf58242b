CREATE TABLE `open_bypasses` (
	`job_id` text NOT NULL,
	`bypass` text NOT NULL,
	`device` text NOT NULL,
	`label` text NOT NULL,
	`since` text NOT NULL,
	`until` text NOT NULL,
	`by` text NOT NULL,
	`to` text,
	PRIMARY KEY(`job_id`, `bypass`),
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `record_entries` (
	`id` text PRIMARY KEY NOT NULL,
	`job_id` text NOT NULL,
	`number` integer NOT NULL,
	`at` text NOT NULL,
	`by` text NOT NULL,
	`body` text NOT NULL,
	`link` text NOT NULL,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `record_entries_job` ON `record_entries` (`job_id`,`number`);--> statement-breakpoint
-- An entry of the record, once taken in, stays as it is.
CREATE TRIGGER `record_entries_never_change` BEFORE UPDATE ON `record_entries`
BEGIN
  SELECT RAISE(ABORT, 'record entries are append-only');
END;
--> statement-breakpoint
CREATE TRIGGER `record_entries_never_go` BEFORE DELETE ON `record_entries`
BEGIN
  SELECT RAISE(ABORT, 'record entries are append-only');
END;
