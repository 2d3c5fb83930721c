CREATE TABLE `calendar_feeds` (
	`id` varchar(36) NOT NULL,
	`subject` varchar(36) NOT NULL,
	`token_hash` varchar(64) NOT NULL,
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	`ended_at` datetime(3),
	CONSTRAINT `calendar_feeds_id` PRIMARY KEY(`id`),
	CONSTRAINT `calendar_feeds_token` UNIQUE(`token_hash`)
);
--> statement-breakpoint
CREATE INDEX `calendar_feeds_subject` ON `calendar_feeds` (`subject`);