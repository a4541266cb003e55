CREATE TABLE `boats` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`revision` integer NOT NULL,
	`design` text NOT NULL,
	`created_at` integer NOT NULL,
	`updated_at` integer NOT NULL,
	`deleted_at` integer
);
--> statement-breakpoint
CREATE TABLE `edits` (
	`boat_id` text NOT NULL,
	`revision` integer NOT NULL,
	`edit_id` text NOT NULL,
	`label` text NOT NULL,
	`ops` text NOT NULL,
	`kind` text NOT NULL,
	`state` text NOT NULL,
	`at` integer NOT NULL,
	FOREIGN KEY (`boat_id`) REFERENCES `boats`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `edits_revision` ON `edits` (`boat_id`,`revision`);--> statement-breakpoint
CREATE UNIQUE INDEX `edits_edit_id` ON `edits` (`boat_id`,`edit_id`);--> statement-breakpoint
CREATE INDEX `edits_state` ON `edits` (`boat_id`,`kind`,`state`);