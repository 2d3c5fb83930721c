CREATE TABLE `promise_moves` (
	`job_id` varchar(36) NOT NULL,
	`number` int NOT NULL,
	`from_day` date NOT NULL,
	`to_day` date NOT NULL,
	`reason` text NOT NULL,
	`told_to` varchar(191),
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `promise_moves_job_id_number_pk` PRIMARY KEY(`job_id`,`number`)
);
