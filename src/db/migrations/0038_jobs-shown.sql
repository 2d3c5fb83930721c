ALTER TABLE `jobs` ADD COLUMN IF NOT EXISTS `model_text` varchar(460) DEFAULT '' NOT NULL;--> statement-breakpoint
UPDATE `jobs` INNER JOIN `pumps` ON `pumps`.`id` = `jobs`.`pump_id` SET `jobs`.`model_text` = concat_ws(' | ', `pumps`.`maker`, `pumps`.`model`, `pumps`.`size`);--> statement-breakpoint
ALTER TABLE `jobs` ADD COLUMN IF NOT EXISTS `shown_hash` varchar(64) GENERATED ALWAYS AS (sha2(concat_ws('|', `id`, `tag`, `pump_id`, `customer_id`, `family_id`, `station`, `holder`, `holder_since`, coalesce(`hold`, ''), `outcome`, `promised_on`, coalesce(`closed_at`, ''), coalesce(`standing`, '')), 256)) STORED;--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `jobs_shown` ON `jobs` (`closed_at`,`promised_on`,`id`,`shown_hash`);--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `jobs_alike` ON `jobs` (`closed_at`,`model_text`,`station`,`tag`);
