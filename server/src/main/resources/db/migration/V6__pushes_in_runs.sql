-- a row of kind PUSH stands for all rows from row_id to row_last: ids that follow each other without a gap
alter table step_row add column row_last bigint null;
update step_row set row_last = row_id;
alter table step_row modify row_last bigint not null;
