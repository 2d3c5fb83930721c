CREATE TABLE `order_photos` (
	`id` varchar(36) NOT NULL,
	`order_number` varchar(20) NOT NULL,
	`piece` varchar(60) NOT NULL,
	`caption` text NOT NULL,
	`width` int NOT NULL,
	`height` int NOT NULL,
	`fingerprint` varchar(64) NOT NULL,
	`bytes` mediumblob NOT NULL,
	`thumb` mediumblob NOT NULL,
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `order_photos_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE INDEX `order_photos_order` ON `order_photos` (`order_number`,`at`);