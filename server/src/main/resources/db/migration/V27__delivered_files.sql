-- name of the movie that a list which is handed back points at
alter table render add column delivered varchar(255);
update render set delivered = substring_index(file, '/', -1) where file is not null;
-- the version of the shot's renders from whose camera another program made one, where that is known
alter table render add column camera_of int;
