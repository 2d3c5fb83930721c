CREATE TABLE `shop_order_lines` (
	`order_number` varchar(20) NOT NULL,
	`position` int NOT NULL,
	`code` varchar(60) NOT NULL,
	`kind` varchar(10) NOT NULL,
	`title` varchar(191) NOT NULL,
	`quantity` int NOT NULL,
	`price_minor` int,
	`said_price_minor` int,
	`lead_days` int NOT NULL,
	`first_due_on` date,
	`due_on` date,
	`pieces` json NOT NULL,
	CONSTRAINT `shop_order_lines_order_number_position_pk` PRIMARY KEY(`order_number`,`position`)
);
--> statement-breakpoint
CREATE TABLE `shop_orders` (
	`number` varchar(20) NOT NULL,
	`supplier_id` varchar(36) NOT NULL,
	`supplier` varchar(191) NOT NULL,
	`currency` varchar(3) NOT NULL,
	`rate` decimal(14,6) NOT NULL,
	`freight_minor` int NOT NULL,
	`state` varchar(14) NOT NULL,
	`reference` varchar(191),
	`placed_on` date NOT NULL,
	`ended_on` date,
	`history` json NOT NULL,
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `shop_orders_number` PRIMARY KEY(`number`)
);
--> statement-breakpoint
CREATE TABLE `stock_items` (
	`number_key` varchar(60) NOT NULL,
	`elastomer` varchar(40) NOT NULL,
	`number` varchar(60) NOT NULL,
	`title` varchar(191) NOT NULL,
	`bin` varchar(20) NOT NULL,
	`quantity` int NOT NULL,
	`minimum` int NOT NULL DEFAULT 0,
	`unit_cost_minor` int NOT NULL DEFAULT 0,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `stock_items_number_key_elastomer_pk` PRIMARY KEY(`number_key`,`elastomer`)
);
--> statement-breakpoint
CREATE TABLE `stock_moves` (
	`id` varchar(36) NOT NULL,
	`number_key` varchar(60) NOT NULL,
	`elastomer` varchar(40) NOT NULL,
	`kind` varchar(12) NOT NULL,
	`quantity_change` int NOT NULL,
	`quantity_after` int NOT NULL,
	`reference` varchar(30) NOT NULL,
	`reason` text NOT NULL,
	`person_name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `stock_moves_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `supplier_offers` (
	`id` varchar(36) NOT NULL,
	`supplier_id` varchar(36) NOT NULL,
	`code` varchar(60) NOT NULL,
	`kind` varchar(10) NOT NULL,
	`title` varchar(191) NOT NULL,
	`price_minor` int NOT NULL,
	`lead_days` int NOT NULL,
	`least` int NOT NULL DEFAULT 1,
	`valid_until` date,
	`pieces` json NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `supplier_offers_id` PRIMARY KEY(`id`),
	CONSTRAINT `supplier_offers_code` UNIQUE(`supplier_id`,`code`)
);
--> statement-breakpoint
CREATE TABLE `supply_lines` (
	`tag` varchar(20) NOT NULL,
	`part_ref` varchar(60) NOT NULL,
	`name` varchar(191) NOT NULL,
	`number` varchar(60) NOT NULL,
	`number_key` varchar(60) NOT NULL,
	`elastomer` varchar(40) NOT NULL,
	`source` varchar(20) NOT NULL,
	`quantity` int NOT NULL,
	`ordered` int NOT NULL,
	`received` int NOT NULL,
	`to_buy` int NOT NULL,
	`lead_days` int NOT NULL,
	`due_on` date,
	`needed_by` date,
	`blocks` json NOT NULL,
	`is_at_risk` boolean NOT NULL,
	CONSTRAINT `supply_lines_tag_part_ref_is_at_risk_pk` PRIMARY KEY(`tag`,`part_ref`,`is_at_risk`)
);
--> statement-breakpoint
ALTER TABLE `purchase_orders` DROP INDEX `purchase_orders_number`;--> statement-breakpoint
ALTER TABLE `outbox` MODIFY COLUMN `job_id` varchar(36);--> statement-breakpoint
ALTER TABLE `purchase_order_lines` ADD `due_on` date;--> statement-breakpoint
ALTER TABLE `suppliers` ADD `rate` decimal(14,6) DEFAULT '1' NOT NULL;--> statement-breakpoint
ALTER TABLE `suppliers` ADD `is_usual` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `purchase_orders` ADD CONSTRAINT `purchase_orders_number_job` UNIQUE(`number`,`job_id`);--> statement-breakpoint
CREATE INDEX `shop_orders_state` ON `shop_orders` (`state`,`number`);--> statement-breakpoint
CREATE INDEX `shop_orders_supplier` ON `shop_orders` (`supplier_id`);--> statement-breakpoint
CREATE INDEX `stock_moves_item` ON `stock_moves` (`number_key`,`elastomer`,`at`);--> statement-breakpoint
CREATE INDEX `supply_lines_number` ON `supply_lines` (`number_key`,`elastomer`);--> statement-breakpoint
INSERT INTO `suppliers` (`id`, `name`, `contact`, `email`, `telephone`, `currency`, `freight_minor`, `minimum_minor`, `cut_off`, `is_active`, `version`, `rate`, `is_usual`)
SELECT uuid(), `supplier`, '', '', '', coalesce((SELECT `currency` FROM `shop` LIMIT 1), 'GBP'), 0, 0, '', true, 1, 1, false
FROM `purchase_orders` WHERE `supplier` NOT IN (SELECT `name` FROM `suppliers`) GROUP BY `supplier`;--> statement-breakpoint
UPDATE `suppliers` SET `is_usual` = true
WHERE `name` = (SELECT `supplier` FROM `purchase_orders` GROUP BY `supplier` ORDER BY count(*) DESC, `supplier` LIMIT 1);--> statement-breakpoint
INSERT INTO `shop_orders` (`number`, `supplier_id`, `supplier`, `currency`, `rate`, `freight_minor`, `state`, `reference`, `placed_on`, `history`, `person_name`, `at`, `version`)
SELECT o.`number`, s.`id`, o.`supplier`, s.`currency`, 1, 0, if(o.`acknowledgement` IS NULL, 'placed', 'acknowledged'), o.`acknowledgement`, date(o.`at`), json_array(), o.`person_name`, o.`at`, 1
FROM `purchase_orders` o JOIN `suppliers` s ON s.`name` = o.`supplier`;--> statement-breakpoint
INSERT INTO `shop_order_lines` (`order_number`, `position`, `code`, `kind`, `title`, `quantity`, `price_minor`, `said_price_minor`, `lead_days`, `first_due_on`, `due_on`, `pieces`)
SELECT o.`number`, row_number() OVER (PARTITION BY o.`number` ORDER BY l.`id`), left(l.`number`, 60), 'single', l.`number`, l.`quantity`, NULL, NULL, 1, o.`due_on`, o.`due_on`,
json_array(json_object('number', left(l.`number`, 60), 'elastomer', '', 'quantity', l.`quantity`, 'sent', l.`sent`,
'received', coalesce((SELECT sum(r.`quantity`) FROM `receipts` r WHERE r.`line_id` = l.`id`), 0), 'struck', 0))
FROM `purchase_order_lines` l JOIN `purchase_orders` o ON o.`id` = l.`order_id`;--> statement-breakpoint
UPDATE `outbox` q JOIN `purchase_orders` o ON o.`id` = json_value(q.`item`, '$.orderId')
SET q.`item` = json_object('kind', 'place-order', 'number', o.`number`)
WHERE json_value(q.`item`, '$.kind') = 'send-order';
