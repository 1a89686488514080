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
