CREATE TABLE `calibrations` (
	`id` varchar(36) NOT NULL,
	`code` varchar(20) NOT NULL,
	`on_day` date NOT NULL,
	`is_within` boolean NOT NULL,
	`error` decimal(18,6),
	`next_due_on` date,
	`certificate` varchar(191) NOT NULL,
	`note` text NOT NULL,
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `calibrations_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE INDEX `calibrations_code` ON `calibrations` (`code`,`on_day`);