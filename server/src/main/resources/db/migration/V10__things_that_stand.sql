-- where a thing stands that no key moves
alter table item
  add column x double not null default 0,
  add column y double not null default 0,
  add column z double not null default 0,
  add column turn double not null default 0,
  add column lean double not null default 0;
