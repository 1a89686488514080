-- which channel of its file a piece of sound plays; 0 for all of them
alter table sound add column channel int not null default 0;
