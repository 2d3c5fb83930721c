ALTER TABLE `jobs` MODIFY COLUMN `family_version` varchar(320) NOT NULL;--> statement-breakpoint
ALTER TABLE `families` MODIFY COLUMN `version` varchar(320) NOT NULL;