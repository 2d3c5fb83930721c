CREATE TABLE `catalogue_numbers` (
	`number_key` varchar(60) NOT NULL,
	`number` varchar(60) NOT NULL,
	`title` varchar(191) NOT NULL,
	`elastomer` varchar(40) NOT NULL,
	`variant` varchar(191) NOT NULL,
	`interchange_group` varchar(60) NOT NULL,
	`superseded_by_key` varchar(60) NOT NULL,
	CONSTRAINT `catalogue_numbers_number_key` PRIMARY KEY(`number_key`)
);
--> statement-breakpoint
CREATE TABLE `donor_parts` (
	`tag` varchar(20) NOT NULL,
	`part_ref` varchar(60) NOT NULL,
	`family_id` varchar(20) NOT NULL,
	`name` varchar(191) NOT NULL,
	`number` varchar(60) NOT NULL,
	`number_key` varchar(60) NOT NULL,
	`size` varchar(191) NOT NULL,
	`look` text NOT NULL,
	`wear_pct` decimal(7,1),
	`tray` varchar(20) NOT NULL,
	`owner` varchar(191) NOT NULL,
	`owners_word` text NOT NULL,
	`taken_by` varchar(20),
	`taken_at` datetime(3),
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `donor_parts_tag_part_ref_pk` PRIMARY KEY(`tag`,`part_ref`)
);
--> statement-breakpoint
CREATE TABLE `suppliers` (
	`id` varchar(36) NOT NULL,
	`name` varchar(191) NOT NULL,
	`contact` varchar(191) NOT NULL,
	`email` varchar(191) NOT NULL,
	`telephone` varchar(40) NOT NULL,
	`currency` varchar(3) NOT NULL,
	`freight_minor` int NOT NULL,
	`minimum_minor` int NOT NULL,
	`cut_off` varchar(5) NOT NULL,
	`is_active` boolean NOT NULL DEFAULT true,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `suppliers_id` PRIMARY KEY(`id`),
	CONSTRAINT `suppliers_name` UNIQUE(`name`)
);
--> statement-breakpoint
ALTER TABLE `receipts` ADD `number` varchar(60) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `receipts` ADD `lot` varchar(60) DEFAULT '' NOT NULL;--> statement-breakpoint
CREATE INDEX `catalogue_group` ON `catalogue_numbers` (`interchange_group`);--> statement-breakpoint
CREATE INDEX `catalogue_superseded` ON `catalogue_numbers` (`superseded_by_key`);--> statement-breakpoint
CREATE INDEX `donor_parts_free` ON `donor_parts` (`taken_by`,`number_key`);--> statement-breakpoint
CREATE INDEX `donor_parts_family` ON `donor_parts` (`family_id`,`part_ref`);