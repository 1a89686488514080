-- keys by which other machines draw for this one: of each only a digest is kept
create table worker_key (
  id bigint primary key,
  name varchar(100) not null,
  digest char(64) not null,
  who varchar(100) not null,
  made_at datetime(6) not null,
  revoked_at datetime(6) null,
  row_version bigint not null default 0,
  unique (digest)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;
