CREATE TABLE `grants` (
	`id` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`name` text NOT NULL,
	`sum` text NOT NULL,
	`boat_id` text,
	`created_at` integer NOT NULL,
	`seen_at` integer,
	`expires_at` integer,
	FOREIGN KEY (`boat_id`) REFERENCES `boats`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `grants_sum` ON `grants` (`sum`);--> statement-breakpoint
CREATE TABLE `passphrases` (
	`id` integer PRIMARY KEY NOT NULL,
	`salt` text NOT NULL,
	`hash` text NOT NULL,
	`at` integer NOT NULL
);
