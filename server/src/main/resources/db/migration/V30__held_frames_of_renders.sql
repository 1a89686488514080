-- a render of every nth frame holds each, so that its movie is as long as the whole, with its sound
alter table render add column held int not null default 1;
alter table render add column played bigint null;
