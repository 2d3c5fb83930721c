CREATE TABLE IF NOT EXISTS `event_chapters` (
	`job_id` varchar(36) NOT NULL,
	`to_seq` int NOT NULL,
	`packed` mediumblob NOT NULL,
	`heads` text NOT NULL,
	`hands` text NOT NULL,
	CONSTRAINT `event_chapters_job_id` PRIMARY KEY(`job_id`)
);
