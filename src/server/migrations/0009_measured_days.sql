CREATE TABLE `measured` (
	`id` text PRIMARY KEY NOT NULL,
	`boat_id` text NOT NULL,
	`bank_id` text NOT NULL,
	`name` text NOT NULL,
	`from_at` integer NOT NULL,
	`to_at` integer NOT NULL,
	`rows` integer NOT NULL,
	`csv` blob NOT NULL,
	`sum` text NOT NULL,
	`created_at` integer NOT NULL,
	`away_at` integer,
	FOREIGN KEY (`boat_id`) REFERENCES `boats`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `measured_boat` ON `measured` (`boat_id`,`from_at`);