CREATE TABLE `customer_pages` (
	`id` varchar(36) NOT NULL,
	`customer_id` varchar(36) NOT NULL,
	`token_hash` varchar(64) NOT NULL,
	`made_for` varchar(191) NOT NULL,
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	`ended_at` datetime(3),
	CONSTRAINT `customer_pages_id` PRIMARY KEY(`id`),
	CONSTRAINT `customer_pages_token` UNIQUE(`token_hash`)
);
--> statement-breakpoint
CREATE INDEX `customer_pages_customer` ON `customer_pages` (`customer_id`);