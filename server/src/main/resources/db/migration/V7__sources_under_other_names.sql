-- what somebody said of two sources, by their identities: one of the older side, one of a newer cut
create table source_pairing (
  id bigint primary key,
  project_id bigint not null references project (id),
  older_key varchar(1500) not null,
  newer_key varchar(1500) not null,
  same boolean not null,
  alive tinyint(1) null,
  key (project_id)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

-- numbers of events are what files write, however long
alter table cut_event modify number varchar(200) null;

-- how often a row was written: two that write it at once are told apart
alter table board add column row_version bigint not null default 0;
alter table camera_key add column row_version bigint not null default 0;
alter table camera add column row_version bigint not null default 0;
alter table cut_apart add column row_version bigint not null default 0;
alter table cut_camera add column row_version bigint not null default 0;
alter table cut_choice add column row_version bigint not null default 0;
alter table cut_event add column row_version bigint not null default 0;
alter table cut_fix add column row_version bigint not null default 0;
alter table cut_lane add column row_version bigint not null default 0;
alter table cut_marker add column row_version bigint not null default 0;
alter table cut_nested add column row_version bigint not null default 0;
alter table cut_remark add column row_version bigint not null default 0;
alter table cut add column row_version bigint not null default 0;
alter table cut_transition add column row_version bigint not null default 0;
alter table item_key add column row_version bigint not null default 0;
alter table item add column row_version bigint not null default 0;
alter table listed_file add column row_version bigint not null default 0;
alter table master_lane add column row_version bigint not null default 0;
alter table master_mark add column row_version bigint not null default 0;
alter table master add column row_version bigint not null default 0;
alter table media_frame add column row_version bigint not null default 0;
alter table media_listed add column row_version bigint not null default 0;
alter table media add column row_version bigint not null default 0;
alter table project add column row_version bigint not null default 0;
alter table render_part add column row_version bigint not null default 0;
alter table render add column row_version bigint not null default 0;
alter table scene add column row_version bigint not null default 0;
alter table section add column row_version bigint not null default 0;
alter table shot_alias add column row_version bigint not null default 0;
alter table shot add column row_version bigint not null default 0;
alter table sound_lane add column row_version bigint not null default 0;
alter table sound add column row_version bigint not null default 0;
alter table source_choice add column row_version bigint not null default 0;
alter table source_pairing add column row_version bigint not null default 0;
alter table step add column row_version bigint not null default 0;
