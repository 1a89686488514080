-- a board that is slid before its first frame is said, where the cut told which that is
alter table board add column begins_told boolean not null default false;
