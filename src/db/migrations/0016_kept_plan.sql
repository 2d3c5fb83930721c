CREATE TABLE `kept_plans` (
	`id` varchar(10) NOT NULL,
	`made_of` varchar(64) NOT NULL,
	`plan` longtext NOT NULL,
	`version` int NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `kept_plans_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `planned_pumps` (
	`tag` varchar(20) NOT NULL,
	`planned_on` date NOT NULL,
	`early` date NOT NULL,
	`likely` date NOT NULL,
	`late` date NOT NULL,
	`kept_pct` int NOT NULL,
	`limit_words` varchar(191) NOT NULL,
	`goes_on` date,
	`is_by_hands` boolean NOT NULL,
	CONSTRAINT `planned_pumps_tag` PRIMARY KEY(`tag`)
);
