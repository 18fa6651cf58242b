DROP TABLE `plans`;--> statement-breakpoint
DROP TABLE `surveys`;