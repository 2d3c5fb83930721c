CREATE TABLE IF NOT EXISTS `archived_jobs` (
	`tag` varchar(20) NOT NULL,
	`former_id` varchar(36) NOT NULL,
	`pump_id` varchar(36) NOT NULL,
	`customer_id` varchar(36) NOT NULL,
	`version` int NOT NULL,
	`opened_at` datetime(3) NOT NULL,
	`closed_at` datetime(3) NOT NULL,
	`outcome` varchar(20) NOT NULL,
	`file` varchar(191) NOT NULL,
	`state` varchar(10) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `archived_jobs_tag` PRIMARY KEY(`tag`),
	CONSTRAINT `archived_jobs_former` UNIQUE(`former_id`)
);
--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `archived_jobs_pump` ON `archived_jobs` (`pump_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `archived_jobs_customer` ON `archived_jobs` (`customer_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `archived_jobs_file` ON `archived_jobs` (`file`);