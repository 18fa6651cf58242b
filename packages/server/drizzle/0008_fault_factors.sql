CREATE TABLE `fault_factors` (
	`name` text PRIMARY KEY NOT NULL,
	`factor` real NOT NULL
);
