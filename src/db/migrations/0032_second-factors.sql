CREATE TABLE IF NOT EXISTS `second_factors` (
	`person_id` varchar(36) NOT NULL,
	`secret` text NOT NULL,
	`started_at` datetime(3) NOT NULL,
	`confirmed_at` datetime(3),
	`last_step` int NOT NULL DEFAULT 0,
	`recovery` json NOT NULL,
	CONSTRAINT `second_factors_person_id` PRIMARY KEY(`person_id`)
);
