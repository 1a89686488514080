-- when a file in a folder of the server was last written, so that one that is overwritten where it lies is noticed
alter table media add column written_at bigint null;
