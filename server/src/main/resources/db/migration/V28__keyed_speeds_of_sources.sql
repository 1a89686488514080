-- the edit's speed may change within a shot: its board follows the keys, and lists of many keys have room
alter table shot add column anchor_course mediumtext null;
alter table section modify bends mediumtext not null default '';
alter table render modify bends mediumtext not null default '';
