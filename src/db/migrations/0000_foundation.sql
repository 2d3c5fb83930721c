CREATE TABLE IF NOT EXISTS `approvals` (
	`id` varchar(36) NOT NULL,
	`job_id` varchar(36) NOT NULL,
	`quote_id` varchar(36) NOT NULL,
	`way` varchar(20) NOT NULL,
	`name` varchar(191) NOT NULL,
	`reference` varchar(191) NOT NULL,
	`decisions` json NOT NULL,
	`signature` longtext NOT NULL,
	`text` longtext NOT NULL,
	`fingerprint` varchar(64) NOT NULL,
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `approvals_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `purchase_order_lines` (
	`id` varchar(36) NOT NULL,
	`order_id` varchar(36) NOT NULL,
	`job_id` varchar(36) NOT NULL,
	`part_ref` varchar(60) NOT NULL,
	`number` varchar(191) NOT NULL,
	`quantity` int NOT NULL,
	`sent` int NOT NULL DEFAULT 0,
	CONSTRAINT `purchase_order_lines_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `purchase_orders` (
	`id` varchar(36) NOT NULL,
	`job_id` varchar(36) NOT NULL,
	`number` varchar(20) NOT NULL,
	`supplier` varchar(191) NOT NULL,
	`acknowledgement` varchar(191),
	`due_on` date,
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `purchase_orders_id` PRIMARY KEY(`id`),
	CONSTRAINT `purchase_orders_number` UNIQUE(`number`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `quote_lines` (
	`id` varchar(36) NOT NULL,
	`quote_id` varchar(36) NOT NULL,
	`job_id` varchar(36) NOT NULL,
	`position` int NOT NULL,
	`kind` varchar(20) NOT NULL,
	`description` text NOT NULL,
	`plain` text NOT NULL,
	`quantity` decimal(10,3) NOT NULL,
	`unit` varchar(12) NOT NULL,
	`unit_price_minor` int NOT NULL,
	`finding_ids` json NOT NULL,
	`parts` json NOT NULL,
	`declinable` boolean NOT NULL,
	`struck_reason` text,
	CONSTRAINT `quote_lines_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `quotes` (
	`id` varchar(36) NOT NULL,
	`job_id` varchar(36) NOT NULL,
	`revision` int NOT NULL,
	`state` varchar(20) NOT NULL,
	`currency` varchar(3) NOT NULL,
	`tax_pct` decimal(6,3) NOT NULL,
	`valid_until` date NOT NULL,
	`sent_at` datetime(3),
	`text` longtext,
	`fingerprint` varchar(64),
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `quotes_id` PRIMARY KEY(`id`),
	CONSTRAINT `quotes_job_revision` UNIQUE(`job_id`,`revision`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `receipts` (
	`id` varchar(36) NOT NULL,
	`job_id` varchar(36) NOT NULL,
	`line_id` varchar(36) NOT NULL,
	`quantity` int NOT NULL,
	`note` text NOT NULL,
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `receipts_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `reports` (
	`id` varchar(36) NOT NULL,
	`job_id` varchar(36) NOT NULL,
	`number` varchar(20) NOT NULL,
	`revision` varchar(2) NOT NULL,
	`what_changed` text NOT NULL,
	`record` longtext NOT NULL,
	`fingerprint` varchar(64) NOT NULL,
	`pdf` mediumblob NOT NULL,
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `reports_id` PRIMARY KEY(`id`),
	CONSTRAINT `reports_number` UNIQUE(`number`,`revision`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `returns` (
	`job_id` varchar(36) NOT NULL,
	`released_by` varchar(191) NOT NULL,
	`released_at` datetime(3) NOT NULL,
	`packing` text NOT NULL,
	`delivered_at` datetime(3),
	`delivered_to` varchar(191),
	`warranty_from` date,
	`warranty_months` int NOT NULL,
	CONSTRAINT `returns_job_id` PRIMARY KEY(`job_id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `test_points` (
	`id` varchar(36) NOT NULL,
	`run_id` varchar(36) NOT NULL,
	`job_id` varchar(36) NOT NULL,
	`position` int NOT NULL,
	`raw` json NOT NULL,
	CONSTRAINT `test_points_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `test_runs` (
	`id` varchar(36) NOT NULL,
	`job_id` varchar(36) NOT NULL,
	`run` int NOT NULL,
	`guarantee` json NOT NULL,
	`grade` varchar(4) NOT NULL,
	`verdict` varchar(10) NOT NULL,
	`outcome` json NOT NULL,
	`decision` varchar(20),
	`decision_reason` text,
	`decision_by` varchar(191),
	`decision_at` datetime(3),
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `test_runs_id` PRIMARY KEY(`id`),
	CONSTRAINT `test_runs_job_run` UNIQUE(`job_id`,`run`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `acknowledgements` (
	`job_id` varchar(36) NOT NULL,
	`caution` varchar(60) NOT NULL,
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `acknowledgements_job_id_caution_pk` PRIMARY KEY(`job_id`,`caution`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `captures` (
	`job_id` varchar(36) NOT NULL,
	`phase` varchar(20) NOT NULL,
	`capture_id` varchar(60) NOT NULL,
	`text` text NOT NULL,
	`value_mm` decimal(14,6),
	`typed` varchar(191) NOT NULL,
	`photo_id` varchar(36),
	`version` int NOT NULL DEFAULT 1,
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `captures_job_id_phase_capture_id_pk` PRIMARY KEY(`job_id`,`phase`,`capture_id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `dispositions` (
	`finding_id` varchar(36) NOT NULL,
	`job_id` varchar(36) NOT NULL,
	`action` varchar(40) NOT NULL,
	`reason` text NOT NULL,
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `dispositions_finding_id` PRIMARY KEY(`finding_id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `events` (
	`job_id` varchar(36) NOT NULL,
	`seq` int NOT NULL,
	`kind` varchar(60) NOT NULL,
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	`data` longtext NOT NULL,
	`previous_hash` varchar(64) NOT NULL,
	`hash` varchar(64) NOT NULL,
	CONSTRAINT `events_job_id_seq_pk` PRIMARY KEY(`job_id`,`seq`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `findings` (
	`id` varchar(36) NOT NULL,
	`job_id` varchar(36) NOT NULL,
	`kind` varchar(20) NOT NULL,
	`point_id` varchar(60),
	`part_ref` varchar(60) NOT NULL,
	`words` text NOT NULL,
	`plain` text NOT NULL,
	`proposed` varchar(20),
	`verdict` varchar(20),
	`overruled_reason` text,
	`waived_reason` text,
	`photo_id` varchar(36),
	`version` int NOT NULL DEFAULT 1,
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `findings_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `intakes` (
	`job_id` varchar(36) NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	`body` json NOT NULL,
	CONSTRAINT `intakes_job_id` PRIMARY KEY(`job_id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `jobs` (
	`id` varchar(36) NOT NULL,
	`tag` varchar(20) NOT NULL,
	`pump_id` varchar(36) NOT NULL,
	`customer_id` varchar(36) NOT NULL,
	`contact_id` varchar(36),
	`family_id` varchar(20) NOT NULL,
	`family_version` varchar(20) NOT NULL,
	`station` varchar(20) NOT NULL,
	`holder` varchar(1) NOT NULL,
	`holder_since` datetime(3) NOT NULL,
	`hold` json,
	`outcome` varchar(20) NOT NULL DEFAULT 'open',
	`promised_on` date NOT NULL,
	`earlier_job_id` varchar(36),
	`warranty_return` boolean NOT NULL DEFAULT false,
	`version` int NOT NULL DEFAULT 0,
	`head_hash` varchar(64) NOT NULL DEFAULT '',
	`standing` json,
	`search_text` text NOT NULL,
	`opened_at` datetime(3) NOT NULL,
	`closed_at` datetime(3),
	CONSTRAINT `jobs_id` PRIMARY KEY(`id`),
	CONSTRAINT `jobs_tag` UNIQUE(`tag`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `part_accounts` (
	`job_id` varchar(36) NOT NULL,
	`part_ref` varchar(60) NOT NULL,
	`state` varchar(20) NOT NULL,
	`note` text NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `part_accounts_job_id_part_ref_pk` PRIMARY KEY(`job_id`,`part_ref`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `photos` (
	`id` varchar(36) NOT NULL,
	`job_id` varchar(36) NOT NULL,
	`about` varchar(80) NOT NULL,
	`caption` text NOT NULL,
	`width` int NOT NULL,
	`height` int NOT NULL,
	`bytes` mediumblob NOT NULL,
	`thumb` mediumblob NOT NULL,
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `photos_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `pumps` (
	`id` varchar(36) NOT NULL,
	`maker` varchar(191) NOT NULL,
	`model` varchar(191) NOT NULL,
	`serial` varchar(191) NOT NULL,
	`size` varchar(60) NOT NULL DEFAULT '',
	`family_id` varchar(20) NOT NULL,
	`nameplate` json NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `pumps_id` PRIMARY KEY(`id`),
	CONSTRAINT `pumps_serial` UNIQUE(`serial`,`maker`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `readings` (
	`job_id` varchar(36) NOT NULL,
	`phase` varchar(20) NOT NULL,
	`point_id` varchar(60) NOT NULL,
	`place` varchar(60) NOT NULL,
	`value_mm` decimal(14,6) NOT NULL,
	`typed` varchar(191) NOT NULL,
	`typed_unit` varchar(12) NOT NULL,
	`typed_digits` int NOT NULL,
	`instrument_code` varchar(20),
	`uncertainty_um` decimal(10,3),
	`version` int NOT NULL DEFAULT 1,
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `readings_job_id_phase_point_id_place_pk` PRIMARY KEY(`job_id`,`phase`,`point_id`,`place`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `steps_done` (
	`job_id` varchar(36) NOT NULL,
	`phase` varchar(20) NOT NULL,
	`round` int NOT NULL DEFAULT 1,
	`step_id` varchar(60) NOT NULL,
	`data` json NOT NULL,
	`second_name` varchar(191),
	`second_id` varchar(36),
	`second_at` datetime(3),
	`version` int NOT NULL DEFAULT 1,
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `steps_done_job_id_phase_round_step_id_pk` PRIMARY KEY(`job_id`,`phase`,`round`,`step_id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `contacts` (
	`id` varchar(36) NOT NULL,
	`customer_id` varchar(36) NOT NULL,
	`name` varchar(191) NOT NULL,
	`email` varchar(191) NOT NULL,
	`phone` varchar(40) NOT NULL DEFAULT '',
	CONSTRAINT `contacts_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `customer_links` (
	`id` varchar(36) NOT NULL,
	`job_id` varchar(36) NOT NULL,
	`quote_id` varchar(36) NOT NULL,
	`token_hash` varchar(64) NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	`revoked_at` datetime(3),
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `customer_links_id` PRIMARY KEY(`id`),
	CONSTRAINT `customer_links_token` UNIQUE(`token_hash`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `customers` (
	`id` varchar(36) NOT NULL,
	`name` varchar(191) NOT NULL,
	`risk_limit_minor` int NOT NULL DEFAULT 0,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `customers_id` PRIMARY KEY(`id`),
	CONSTRAINT `customers_name` UNIQUE(`name`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `families` (
	`id` varchar(20) NOT NULL,
	`version` varchar(20) NOT NULL,
	`body` json NOT NULL,
	CONSTRAINT `families_id_version_pk` PRIMARY KEY(`id`,`version`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `instruments` (
	`id` varchar(36) NOT NULL,
	`code` varchar(20) NOT NULL,
	`kind` varchar(40) NOT NULL,
	`uncertainty_um` decimal(10,3) NOT NULL,
	`due_on` date NOT NULL,
	CONSTRAINT `instruments_id` PRIMARY KEY(`id`),
	CONSTRAINT `instruments_code` UNIQUE(`code`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `mails` (
	`id` varchar(36) NOT NULL,
	`job_id` varchar(36),
	`to_address` varchar(191) NOT NULL,
	`subject` varchar(191) NOT NULL,
	`body` text NOT NULL,
	`attachment_name` varchar(191),
	`attachment` mediumblob,
	`sent_at` datetime(3) NOT NULL,
	CONSTRAINT `mails_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `people` (
	`id` varchar(36) NOT NULL,
	`name` varchar(191) NOT NULL,
	`email` varchar(191) NOT NULL,
	`role` varchar(20) NOT NULL,
	`password_hash` varchar(255) NOT NULL,
	`pin_hash` varchar(255),
	`active` boolean NOT NULL DEFAULT true,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `people_id` PRIMARY KEY(`id`),
	CONSTRAINT `people_email` UNIQUE(`email`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `rate_limits` (
	`key` varchar(255) NOT NULL,
	`points` int NOT NULL DEFAULT 0,
	`expire` decimal(20,0),
	CONSTRAINT `rate_limits_key` PRIMARY KEY(`key`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `sessions` (
	`id` varchar(36) NOT NULL,
	`person_id` varchar(36) NOT NULL,
	`started_at` datetime(3) NOT NULL,
	`ended_at` datetime(3),
	CONSTRAINT `sessions_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `shop` (
	`id` int NOT NULL,
	`name` varchar(191) NOT NULL,
	`place` varchar(191) NOT NULL,
	`zone` varchar(64) NOT NULL,
	`currency` varchar(3) NOT NULL,
	`settings` json NOT NULL,
	`next_tag` int NOT NULL,
	`next_report` int NOT NULL,
	`next_order` int NOT NULL,
	CONSTRAINT `shop_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `jobs` ADD CONSTRAINT `jobs_pump_id_pumps_id_fk` FOREIGN KEY IF NOT EXISTS (`pump_id`) REFERENCES `pumps`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `approvals_job` ON `approvals` (`job_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `purchase_order_lines_job` ON `purchase_order_lines` (`job_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `purchase_order_lines_order` ON `purchase_order_lines` (`order_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `purchase_orders_job` ON `purchase_orders` (`job_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `quote_lines_job` ON `quote_lines` (`job_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `quote_lines_quote` ON `quote_lines` (`quote_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `receipts_job` ON `receipts` (`job_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `reports_job` ON `reports` (`job_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `test_points_job` ON `test_points` (`job_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `dispositions_job` ON `dispositions` (`job_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `findings_job` ON `findings` (`job_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `jobs_open` ON `jobs` (`closed_at`,`holder`,`promised_on`,`id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `jobs_pump` ON `jobs` (`pump_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `jobs_customer` ON `jobs` (`customer_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `photos_job` ON `photos` (`job_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `contacts_customer` ON `contacts` (`customer_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `customer_links_job` ON `customer_links` (`job_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `instruments_kind` ON `instruments` (`kind`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `mails_sent` ON `mails` (`sent_at`,`id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `mails_job` ON `mails` (`job_id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `sessions_person` ON `sessions` (`person_id`);--> statement-breakpoint
CREATE FULLTEXT INDEX IF NOT EXISTS `jobs_search` ON `jobs` (`search_text`);
