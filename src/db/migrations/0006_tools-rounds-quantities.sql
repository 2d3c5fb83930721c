ALTER TABLE `readings` ADD `round` int DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `readings` DROP PRIMARY KEY, ADD PRIMARY KEY(`job_id`,`phase`,`point_id`,`place`,`round`);--> statement-breakpoint
ALTER TABLE `readings` CHANGE `value_mm` `value` decimal(18,6) NOT NULL;--> statement-breakpoint
ALTER TABLE `readings` ADD `unit` varchar(12) DEFAULT 'mm' NOT NULL;--> statement-breakpoint
ALTER TABLE `readings` ADD `uncertainty` decimal(18,6);--> statement-breakpoint
UPDATE `readings` SET `uncertainty` = `uncertainty_um` / 1000;--> statement-breakpoint
ALTER TABLE `readings` DROP COLUMN `uncertainty_um`;--> statement-breakpoint
ALTER TABLE `readings` ADD `conceded` text;--> statement-breakpoint
ALTER TABLE `findings` ADD `round` int DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `test_runs` ADD `reopen_from` varchar(80);--> statement-breakpoint
ALTER TABLE `instruments` ADD `unit` varchar(12) DEFAULT 'mm' NOT NULL;--> statement-breakpoint
ALTER TABLE `instruments` ADD `uncertainty` decimal(18,6);--> statement-breakpoint
UPDATE `instruments` SET `uncertainty` = `uncertainty_um` / 1000;--> statement-breakpoint
ALTER TABLE `instruments` DROP COLUMN `uncertainty_um`;--> statement-breakpoint
ALTER TABLE `instruments` ADD `range_low` decimal(18,6);--> statement-breakpoint
ALTER TABLE `instruments` ADD `range_high` decimal(18,6);
