CREATE TABLE `deeds` (
	`id` varchar(36) NOT NULL,
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	`verb` varchar(60) NOT NULL,
	`words` text NOT NULL,
	CONSTRAINT `deeds_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE INDEX `deeds_at` ON `deeds` (`at`);--> statement-breakpoint
CREATE INDEX `deeds_person` ON `deeds` (`person_id`,`at`);--> statement-breakpoint
CREATE INDEX `events_person` ON `events` (`person_id`,`at`);