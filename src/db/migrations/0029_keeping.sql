CREATE TABLE IF NOT EXISTS `backups` (
	`id` varchar(36) NOT NULL,
	`started_at` datetime(3) NOT NULL,
	`finished_at` datetime(3),
	`file` varchar(500) NOT NULL,
	`bytes` bigint NOT NULL DEFAULT 0,
	`jobs` int NOT NULL DEFAULT 0,
	`pictures` int NOT NULL DEFAULT 0,
	`asked_by` varchar(191) NOT NULL,
	`failure` text,
	CONSTRAINT `backups_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `leases` (
	`name` varchar(40) NOT NULL,
	`holder` varchar(120) NOT NULL,
	`since` datetime(3) NOT NULL,
	`until` datetime(3) NOT NULL,
	CONSTRAINT `leases_name` PRIMARY KEY(`name`)
);
--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `backups_started` ON `backups` (`started_at`);