ALTER TABLE `shop` ADD COLUMN IF NOT EXISTS `catalogue_version` varchar(36) DEFAULT '' NOT NULL;--> statement-breakpoint
UPDATE `shop` SET `catalogue_version` = uuid();
