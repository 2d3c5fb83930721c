CREATE TABLE IF NOT EXISTS `listed_jobs` (
	`number` int AUTO_INCREMENT NOT NULL,
	`job_id` varchar(36) NOT NULL,
	CONSTRAINT `listed_jobs_number` PRIMARY KEY(`number`),
	CONSTRAINT `listed_jobs_job` UNIQUE(`job_id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `word_lists` (
	`word` varchar(60) character set utf8mb4 collate utf8mb4_bin NOT NULL,
	`block` int NOT NULL,
	`places` mediumblob NOT NULL,
	CONSTRAINT `word_lists_word_block_pk` PRIMARY KEY(`word`,`block`)
);
--> statement-breakpoint
DROP INDEX IF EXISTS `jobs_search` ON `jobs`;
