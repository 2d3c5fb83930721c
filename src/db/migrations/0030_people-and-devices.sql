CREATE TABLE IF NOT EXISTS `audits` (
	`id` varchar(36) NOT NULL,
	`at` datetime(3) NOT NULL,
	`kind` varchar(20) NOT NULL,
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`client` varchar(64) NOT NULL,
	`agent` varchar(80) NOT NULL,
	`words` varchar(191) NOT NULL,
	CONSTRAINT `audits_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `tablets` (
	`id` varchar(36) NOT NULL,
	`name` varchar(191) NOT NULL,
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	`ended_at` datetime(3),
	CONSTRAINT `tablets_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `tries` (
	`key` varchar(255) NOT NULL,
	`failures` int NOT NULL,
	`last_at` datetime(3) NOT NULL,
	`locked_until` datetime(3),
	CONSTRAINT `tries_key` PRIMARY KEY(`key`)
);
--> statement-breakpoint
ALTER TABLE `sessions` ADD COLUMN IF NOT EXISTS `parked_at` datetime(3);--> statement-breakpoint
ALTER TABLE `sessions` ADD COLUMN IF NOT EXISTS `seen_at` datetime(3);--> statement-breakpoint
ALTER TABLE `sessions` ADD COLUMN IF NOT EXISTS `how` varchar(20) DEFAULT 'password' NOT NULL;--> statement-breakpoint
ALTER TABLE `sessions` ADD COLUMN IF NOT EXISTS `tablet_id` varchar(36);--> statement-breakpoint
ALTER TABLE `sessions` ADD COLUMN IF NOT EXISTS `client` varchar(64) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `sessions` ADD COLUMN IF NOT EXISTS `agent` varchar(80) DEFAULT '' NOT NULL;--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `audits_at` ON `audits` (`at`);