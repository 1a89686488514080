-- which sound track of its source an event plays, where its file says so
alter table cut_event add column source_track int not null default 0;
