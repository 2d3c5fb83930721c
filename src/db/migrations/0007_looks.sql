CREATE TABLE `looks` (
	`job_id` varchar(36) NOT NULL,
	`part_ref` varchar(60) NOT NULL,
	`seen` varchar(20) NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	`person_id` varchar(36),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `looks_job_id_part_ref_pk` PRIMARY KEY(`job_id`,`part_ref`)
);
