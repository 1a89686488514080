-- where the source of a board begins as far as its cut tells, so that a movie shows its right frame
alter table board add column source_begins bigint null;
