DROP INDEX `edits_state`;--> statement-breakpoint
CREATE INDEX `edits_own` ON `edits` (`boat_id`,`device`,`kind`,`state`,`revision`);--> statement-breakpoint
CREATE INDEX `edits_state` ON `edits` (`boat_id`,`kind`,`state`,`revision`);