-- the lenses and stops that a production works with
alter table project add lens_kit varchar(400) not null default '18 21 25 28 35 50 75 85 100',
  add stop_kit varchar(400) not null default '1.4 2 2.8 4 5.6 8 11 16 22';
