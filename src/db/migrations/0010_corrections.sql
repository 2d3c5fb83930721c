CREATE TABLE `corrections` (
	`job_id` varchar(36) NOT NULL,
	`number` int NOT NULL,
	`what` varchar(20) NOT NULL,
	`from_value` text NOT NULL,
	`to_value` text NOT NULL,
	`reason` text NOT NULL,
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `corrections_job_id_number_pk` PRIMARY KEY(`job_id`,`number`)
);
--> statement-breakpoint
ALTER TABLE `pumps` DROP INDEX `pumps_serial`;--> statement-breakpoint
ALTER TABLE `pumps` ADD `serial_key` varchar(191) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `pumps` ADD CONSTRAINT `pumps_plate` UNIQUE(`serial`,`maker`,`model`,`size`);--> statement-breakpoint
CREATE INDEX `pumps_serial_key` ON `pumps` (`serial_key`);--> statement-breakpoint
UPDATE `pumps` SET `serial_key` = UPPER(REGEXP_REPLACE(`serial`, '[^[:alnum:]]', ''));--> statement-breakpoint
ALTER TABLE `customers` MODIFY `name` varchar(191) CHARACTER SET utf8mb4 COLLATE utf8mb4_uca1400_as_ci NOT NULL;
