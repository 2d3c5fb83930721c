CREATE TABLE `agreements` (
	`job_id` varchar(36) NOT NULL,
	`limit_minor` int NOT NULL,
	`said_by` varchar(191) NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `agreements_job_id` PRIMARY KEY(`job_id`)
);
--> statement-breakpoint
CREATE TABLE `declines_settled` (
	`job_id` varchar(36) NOT NULL,
	`approval_id` varchar(36) NOT NULL,
	`decision` varchar(20) NOT NULL,
	`words` text NOT NULL,
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `declines_settled_job_id_approval_id_pk` PRIMARY KEY(`job_id`,`approval_id`)
);
--> statement-breakpoint
CREATE TABLE `questions` (
	`id` varchar(36) NOT NULL,
	`job_id` varchar(36) NOT NULL,
	`quote_id` varchar(36) NOT NULL,
	`asked_by` varchar(191) NOT NULL,
	`asked_at` datetime(3) NOT NULL,
	`words` text NOT NULL,
	`answer` json,
	CONSTRAINT `questions_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `reminders` (
	`job_id` varchar(36) NOT NULL,
	`number` int NOT NULL,
	`quote_id` varchar(36) NOT NULL,
	`sent_to` varchar(191) NOT NULL,
	`words` text NOT NULL,
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `reminders_job_id_number_pk` PRIMARY KEY(`job_id`,`number`)
);
--> statement-breakpoint
ALTER TABLE `quotes` DROP INDEX `quotes_job_revision`;--> statement-breakpoint
ALTER TABLE `approvals` ADD `option_level` varchar(20);--> statement-breakpoint
ALTER TABLE `approvals` ADD `corrects` text;--> statement-breakpoint
ALTER TABLE `purchase_orders` ADD `at_risk_minor` int;--> statement-breakpoint
ALTER TABLE `quote_lines` ADD `line_key` varchar(120) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `quote_lines` ADD `item_keys` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
ALTER TABLE `quote_lines` ADD `options` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
ALTER TABLE `quote_lines` ADD `instead` varchar(191) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `quote_lines` ADD `critical` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `quote_lines` ADD `by_hand` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `quote_lines` ADD `proposed` json;--> statement-breakpoint
ALTER TABLE `quote_lines` ADD `proposal_moved` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `quote_lines` ADD `discount_pct` decimal(6,3) DEFAULT '0' NOT NULL;--> statement-breakpoint
ALTER TABLE `quote_lines` ADD `unit_cost_minor` int;--> statement-breakpoint
ALTER TABLE `quotes` ADD `kind` varchar(20) DEFAULT 'quote' NOT NULL;--> statement-breakpoint
ALTER TABLE `quotes` ADD `options` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
ALTER TABLE `quotes` ADD `advised` varchar(20) DEFAULT 'recommended' NOT NULL;--> statement-breakpoint
ALTER TABLE `quotes` ADD `note` text DEFAULT ('') NOT NULL;--> statement-breakpoint
ALTER TABLE `quotes` ADD `recipients` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
ALTER TABLE `quotes` ADD `labour_minor_per_hour` int;--> statement-breakpoint
ALTER TABLE `quotes` ADD `discount_pct` decimal(6,3) DEFAULT '0' NOT NULL;--> statement-breakpoint
ALTER TABLE `quotes` ADD `basis` json;--> statement-breakpoint
ALTER TABLE `quotes` ADD `supplement` json;--> statement-breakpoint
ALTER TABLE `quotes` ADD CONSTRAINT `quotes_job_revision` UNIQUE(`job_id`,`kind`,`revision`);--> statement-breakpoint
CREATE INDEX `questions_job` ON `questions` (`job_id`);