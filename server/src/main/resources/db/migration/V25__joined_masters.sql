-- whole masters that are joined from finished renders
alter table render add column joined boolean not null default false;
