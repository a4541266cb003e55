CREATE TABLE `boat_cards` (
	`card_id` text NOT NULL,
	`boat_id` text NOT NULL,
	PRIMARY KEY(`card_id`, `boat_id`),
	FOREIGN KEY (`boat_id`) REFERENCES `boats`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `boat_cards_boat` ON `boat_cards` (`boat_id`);--> statement-breakpoint
CREATE TABLE `checkpoints` (
	`boat_id` text NOT NULL,
	`revision` integer NOT NULL,
	`what` text NOT NULL,
	`design` text NOT NULL,
	`sum` text NOT NULL,
	`at` integer NOT NULL,
	PRIMARY KEY(`boat_id`, `what`, `revision`),
	FOREIGN KEY (`boat_id`) REFERENCES `boats`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
DROP INDEX `boats_listed`;--> statement-breakpoint
ALTER TABLE `boats` ADD `sum` text;--> statement-breakpoint
ALTER TABLE `boats` ADD `problem` text;--> statement-breakpoint
CREATE INDEX `boats_listed` ON `boats` (`deleted_at`,"updated_at" desc,`id`,`name`,`revision`,`system_v`,`length_m`,`loads`,`circuits`,`problem`);--> statement-breakpoint
ALTER TABLE `edits` ADD `by` text;--> statement-breakpoint
ALTER TABLE `edits` ADD `device` text;--> statement-breakpoint
ALTER TABLE `photos` ADD `sum` text;--> statement-breakpoint
INSERT OR IGNORE INTO `boat_cards` (`card_id`, `boat_id`)
  SELECT DISTINCT json_extract(l.value, '$.cardId'), b.`id` FROM `boats` b, json_each(CASE WHEN json_valid(b.`design`) THEN b.`design` ELSE '{}' END, '$.loads') l
  WHERE json_extract(l.value, '$.cardId') IS NOT NULL;
