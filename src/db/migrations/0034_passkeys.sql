CREATE TABLE IF NOT EXISTS `passkeys` (
	`id` varchar(36) NOT NULL,
	`person_id` varchar(36) NOT NULL,
	`credential_hash` varchar(64) NOT NULL,
	`credential` text NOT NULL,
	`public_key` text NOT NULL,
	`counter` bigint NOT NULL,
	`transports` json NOT NULL,
	`name` varchar(191) NOT NULL,
	`at` datetime(3) NOT NULL,
	`used_at` datetime(3),
	CONSTRAINT `passkeys_id` PRIMARY KEY(`id`),
	CONSTRAINT `passkeys_credential` UNIQUE(`credential_hash`)
);
--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `passkeys_person` ON `passkeys` (`person_id`);--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `spent_challenges` (
	`challenge` varchar(64) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `spent_challenges_challenge` PRIMARY KEY(`challenge`)
);
--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `spent_challenges_at` ON `spent_challenges` (`at`);
