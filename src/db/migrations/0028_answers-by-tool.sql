ALTER TABLE `answers` ADD `tool` varchar(20) GENERATED ALWAYS AS (json_value(`data`, '$.tool')) STORED;--> statement-breakpoint
CREATE INDEX `answers_tool` ON `answers` (`tool`);