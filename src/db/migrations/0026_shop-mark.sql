CREATE TABLE `shop_mark` (
	`id` int NOT NULL,
	`bytes` mediumblob NOT NULL,
	`width` int NOT NULL,
	`height` int NOT NULL,
	CONSTRAINT `shop_mark_id` PRIMARY KEY(`id`)
);
