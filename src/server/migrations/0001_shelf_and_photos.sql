CREATE TABLE `photos` (
	`id` text PRIMARY KEY NOT NULL,
	`boat_id` text NOT NULL,
	`width_px` integer NOT NULL,
	`height_px` integer NOT NULL,
	`bytes` integer NOT NULL,
	`created_at` integer NOT NULL,
	FOREIGN KEY (`boat_id`) REFERENCES `boats`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `shelf` (
	`kind` text NOT NULL,
	`id` text NOT NULL,
	`name` text NOT NULL,
	`revision` integer NOT NULL,
	`body` text NOT NULL,
	`updated_at` integer NOT NULL,
	PRIMARY KEY(`kind`, `id`)
);
