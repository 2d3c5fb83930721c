CREATE TABLE `absences` (
	`id` varchar(36) NOT NULL,
	`resource_id` varchar(36) NOT NULL,
	`from_day` date NOT NULL,
	`to_day` date NOT NULL,
	`reason` text NOT NULL,
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `absences_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `plan_resources` (
	`id` varchar(36) NOT NULL,
	`name` varchar(191) NOT NULL,
	`kind` varchar(10) NOT NULL,
	`skills` json NOT NULL,
	`calendar_id` varchar(36),
	`is_active` boolean NOT NULL DEFAULT true,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `plan_resources_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `plan_weights` (
	`tag` varchar(20) NOT NULL,
	`weight` decimal(8,2) NOT NULL,
	`reason` text NOT NULL,
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `plan_weights_tag` PRIMARY KEY(`tag`)
);
--> statement-breakpoint
CREATE TABLE `plan_wishes` (
	`id` varchar(36) NOT NULL,
	`tag` varchar(20) NOT NULL,
	`operation` varchar(80) NOT NULL,
	`resource_id` varchar(36),
	`not_before` date,
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `plan_wishes_id` PRIMARY KEY(`id`),
	CONSTRAINT `plan_wishes_operation` UNIQUE(`tag`,`operation`)
);
--> statement-breakpoint
CREATE TABLE `work_calendars` (
	`id` varchar(36) NOT NULL,
	`name` varchar(191) NOT NULL,
	`weekly` json NOT NULL,
	`closed` json NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `work_calendars_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE INDEX `absences_to` ON `absences` (`to_day`);--> statement-breakpoint
INSERT INTO `work_calendars` (`id`, `name`, `weekly`, `closed`) VALUES ('week', 'Week of the shop',
'[{"weekday":1,"from":"07:00","to":"12:00"},{"weekday":1,"from":"12:30","to":"16:00"},{"weekday":2,"from":"07:00","to":"12:00"},{"weekday":2,"from":"12:30","to":"16:00"},{"weekday":3,"from":"07:00","to":"12:00"},{"weekday":3,"from":"12:30","to":"16:00"},{"weekday":4,"from":"07:00","to":"12:00"},{"weekday":4,"from":"12:30","to":"16:00"},{"weekday":5,"from":"07:00","to":"13:00"}]', '[]');--> statement-breakpoint
INSERT INTO `plan_resources` (`id`, `name`, `kind`, `skills`) VALUES
('bench-1', 'Bench 1', 'place', '["bench"]'), ('bench-2', 'Bench 2', 'place', '["bench"]'), ('bench-3', 'Bench 3', 'place', '["bench"]'),
('washer', 'Washer', 'place', '["washer"]'), ('lathe', 'Lathe', 'place', '["lathe"]'), ('stand', 'Test stand', 'place', '["stand"]');
