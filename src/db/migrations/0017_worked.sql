CREATE TABLE `worked_spans` (
	`id` varchar(36) NOT NULL,
	`tag` varchar(20) NOT NULL,
	`station` varchar(20) NOT NULL,
	`person_id` varchar(36) NOT NULL,
	`person_name` varchar(191) NOT NULL,
	`started_at` datetime(3) NOT NULL,
	`ended_at` datetime(3) NOT NULL,
	`seconds` int NOT NULL,
	`taken_seconds` int,
	`reason` text NOT NULL,
	`corrected_by` varchar(191),
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `worked_spans_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE INDEX `worked_spans_tag` ON `worked_spans` (`tag`);--> statement-breakpoint
CREATE INDEX `worked_spans_person` ON `worked_spans` (`person_id`,`ended_at`);