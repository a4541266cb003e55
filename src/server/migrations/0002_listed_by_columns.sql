ALTER TABLE `boats` ADD `system_v` real;--> statement-breakpoint
ALTER TABLE `boats` ADD `length_m` real;--> statement-breakpoint
ALTER TABLE `boats` ADD `loads` integer;--> statement-breakpoint
ALTER TABLE `boats` ADD `circuits` integer;--> statement-breakpoint
CREATE INDEX `boats_listed` ON `boats` (`deleted_at`,"updated_at" desc,`id`,`name`,`revision`,`system_v`,`length_m`,`loads`,`circuits`);--> statement-breakpoint
CREATE TRIGGER `boats_listed_insert` AFTER INSERT ON `boats` BEGIN
  UPDATE `boats` SET
    `system_v` = CASE WHEN json_valid(NEW.`design`) THEN json_extract(NEW.`design`, '$.boat.systemV') END,
    `length_m` = CASE WHEN json_valid(NEW.`design`) THEN json_extract(NEW.`design`, '$.boat.lengthM') END,
    `loads` = CASE WHEN json_valid(NEW.`design`) THEN json_array_length(NEW.`design`, '$.loads') END,
    `circuits` = CASE WHEN json_valid(NEW.`design`) THEN json_array_length(NEW.`design`, '$.circuits') END
  WHERE `id` = NEW.`id`;
END;--> statement-breakpoint
CREATE TRIGGER `boats_listed_update` AFTER UPDATE OF `design` ON `boats` BEGIN
  UPDATE `boats` SET
    `system_v` = CASE WHEN json_valid(NEW.`design`) THEN json_extract(NEW.`design`, '$.boat.systemV') END,
    `length_m` = CASE WHEN json_valid(NEW.`design`) THEN json_extract(NEW.`design`, '$.boat.lengthM') END,
    `loads` = CASE WHEN json_valid(NEW.`design`) THEN json_array_length(NEW.`design`, '$.loads') END,
    `circuits` = CASE WHEN json_valid(NEW.`design`) THEN json_array_length(NEW.`design`, '$.circuits') END
  WHERE `id` = NEW.`id`;
END;--> statement-breakpoint
UPDATE `boats` SET `design` = `design`;
