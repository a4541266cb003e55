CREATE TABLE `boat_states` (
	`boat_id` text PRIMARY KEY NOT NULL,
	`revision` integer NOT NULL,
	`open` integer NOT NULL,
	`state` text NOT NULL,
	FOREIGN KEY (`boat_id`) REFERENCES `boats`(`id`) ON UPDATE no action ON DELETE no action
);
