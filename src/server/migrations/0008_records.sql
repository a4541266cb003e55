CREATE TABLE `records` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`boat_id` text NOT NULL,
	`id` text NOT NULL,
	`kind` text NOT NULL,
	`thing` text NOT NULL,
	`at` integer NOT NULL,
	`came_at` integer NOT NULL,
	`by` text,
	`device` text,
	`body` text NOT NULL,
	FOREIGN KEY (`boat_id`) REFERENCES `boats`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `records_id` ON `records` (`boat_id`,`id`);--> statement-breakpoint
CREATE INDEX `records_boat` ON `records` (`boat_id`,`seq`);--> statement-breakpoint
CREATE TRIGGER `records_stay` BEFORE UPDATE ON `records` BEGIN SELECT raise(abort, 'records are only added to'); END;--> statement-breakpoint
CREATE TRIGGER `records_are_kept` BEFORE DELETE ON `records` BEGIN SELECT raise(abort, 'records are only added to'); END;
