CREATE TABLE `back_tests` (
	`tag` varchar(20) NOT NULL,
	`moment` varchar(10) NOT NULL,
	`said` json NOT NULL,
	`ready_on` date NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `back_tests_tag_moment_pk` PRIMARY KEY(`tag`,`moment`)
);
