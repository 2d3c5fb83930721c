CREATE TABLE `lots` (
	`id` varchar(36) NOT NULL,
	`number` varchar(20) NOT NULL,
	`delivery_note` varchar(191) NOT NULL DEFAULT '',
	`shares_promise` boolean NOT NULL,
	`shares_quote` boolean NOT NULL,
	`shares_delivery` boolean NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `lots_id` PRIMARY KEY(`id`),
	CONSTRAINT `lots_number` UNIQUE(`number`)
);
--> statement-breakpoint
CREATE TABLE `sheets` (
	`job_id` varchar(36) NOT NULL,
	`kind` varchar(20) NOT NULL,
	`sheet_key` varchar(40) NOT NULL,
	`body` json NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `sheets_job_id_kind_sheet_key_pk` PRIMARY KEY(`job_id`,`kind`,`sheet_key`)
);
--> statement-breakpoint
ALTER TABLE `returns` ADD `signature` longtext DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `jobs` ADD `lot_id` varchar(36);--> statement-breakpoint
ALTER TABLE `jobs` ADD `lot_unit` int;--> statement-breakpoint
ALTER TABLE `customers` ADD `risk_limit_said_by` varchar(191) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `customers` ADD `merged_into` varchar(36);--> statement-breakpoint
ALTER TABLE `shop` ADD `next_lot` int DEFAULT 1 NOT NULL;--> statement-breakpoint
CREATE INDEX `jobs_lot` ON `jobs` (`lot_id`);