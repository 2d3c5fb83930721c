ALTER TABLE `jobs` MODIFY COLUMN `family_version` varchar(60) NOT NULL;--> statement-breakpoint
ALTER TABLE `families` MODIFY COLUMN `version` varchar(60) NOT NULL;