CREATE TABLE IF NOT EXISTS `entries` (
	`key` varchar(64) NOT NULL,
	`verb` varchar(60) NOT NULL,
	`person_id` varchar(36),
	`fingerprint` varchar(64) NOT NULL,
	`answer` longtext NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `entries_key` PRIMARY KEY(`key`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `outbox` (
	`id` varchar(36) NOT NULL,
	`job_id` varchar(36) NOT NULL,
	`item` json NOT NULL,
	`tries` int NOT NULL DEFAULT 0,
	`due_at` datetime(3),
	`done_at` datetime(3),
	`last_error` text,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `outbox_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `entries_at` ON `entries` (`at`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `outbox_due` ON `outbox` (`due_at`,`id`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `outbox_job` ON `outbox` (`job_id`);--> statement-breakpoint
ALTER TABLE `reports` MODIFY COLUMN `pdf` mediumblob;--> statement-breakpoint
ALTER TABLE `dispositions` ADD COLUMN IF NOT EXISTS `version` int DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `jobs` ADD COLUMN IF NOT EXISTS `opened_seq` int;--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `jobs_unopened` ON `jobs` (`opened_seq`);--> statement-breakpoint
ALTER TABLE `photos` ADD COLUMN IF NOT EXISTS `fingerprint` varchar(64) DEFAULT '' NOT NULL;--> statement-breakpoint
UPDATE `photos` SET `fingerprint` = sha2(`bytes`, 256) WHERE `fingerprint` = '';--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `test_points` (
	`id` varchar(36) NOT NULL,
	`run_id` varchar(36) NOT NULL,
	`job_id` varchar(36) NOT NULL,
	`position` int NOT NULL,
	`raw` json NOT NULL,
	CONSTRAINT `test_points_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `test_runs` ADD COLUMN IF NOT EXISTS `points` json;--> statement-breakpoint
UPDATE `test_runs` SET `points` = coalesce((SELECT concat('[', group_concat(`raw` ORDER BY `position` SEPARATOR ','), ']') FROM `test_points` WHERE `test_points`.`run_id` = `test_runs`.`id`), '[]') WHERE `points` IS NULL;--> statement-breakpoint
ALTER TABLE `test_runs` MODIFY COLUMN `points` json NOT NULL;--> statement-breakpoint
ALTER TABLE `test_runs` DROP COLUMN IF EXISTS `outcome`;--> statement-breakpoint
DROP TABLE IF EXISTS `test_points`;--> statement-breakpoint
ALTER TABLE `shop` ADD COLUMN IF NOT EXISTS `next_family` int DEFAULT 1 NOT NULL;--> statement-breakpoint
UPDATE `shop` SET `next_family` = greatest(`next_family`, (SELECT coalesce(max(cast(substr(`id`, 2) AS unsigned)), 0) + 1 FROM `families` WHERE `id` LIKE 'S%'));
