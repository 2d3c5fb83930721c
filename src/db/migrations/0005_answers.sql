CREATE TABLE `answers` (
	`job_id` varchar(36) NOT NULL,
	`phase` varchar(20) NOT NULL,
	`round` int NOT NULL DEFAULT 1,
	`action_id` varchar(80) NOT NULL,
	`state` varchar(20) NOT NULL DEFAULT 'done',
	`typed` text NOT NULL,
	`value` decimal(18,6),
	`unit` varchar(12) NOT NULL DEFAULT '',
	`photo_id` varchar(36),
	`data` json NOT NULL,
	`conceded` boolean NOT NULL DEFAULT false,
	`version` int NOT NULL DEFAULT 1,
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `answers_job_id_phase_round_action_id_pk` PRIMARY KEY(`job_id`,`phase`,`round`,`action_id`)
);
--> statement-breakpoint
INSERT INTO `answers` (`job_id`, `phase`, `round`, `action_id`, `state`, `typed`, `value`, `unit`, `photo_id`, `data`, `conceded`, `version`, `person_id`, `person_name`, `at`)
	SELECT `job_id`, `phase`, 1, `capture_id`, 'done', `typed`, `value_mm`, IF(`value_mm` IS NULL, '', 'mm'), `photo_id`, IF(`text` = '', '{}', JSON_OBJECT('text', `text`)), false, `version`, `person_id`, `person_name`, `at` FROM `captures`;
--> statement-breakpoint
DROP TABLE `captures`;--> statement-breakpoint
ALTER TABLE `steps_done` MODIFY COLUMN `step_id` varchar(80) NOT NULL;--> statement-breakpoint
ALTER TABLE `findings` ADD `action_id` varchar(80);--> statement-breakpoint
ALTER TABLE `steps_done` ADD `state` varchar(20) DEFAULT 'done' NOT NULL;