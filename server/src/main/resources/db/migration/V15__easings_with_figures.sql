-- a key says how it goes on by a word and the figures that it needs
alter table camera_key modify easing varchar(100) not null;
alter table item_key modify easing varchar(100) not null;
