-- renders whose pictures another program made: the movie or run that they come from
alter table render add column media_id bigint null references media (id);
