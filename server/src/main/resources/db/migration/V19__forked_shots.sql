-- the shot that a shot was forked from
alter table shot add forked_from bigint null references shot (id);
