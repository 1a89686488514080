-- what the richer formats tell of a cut: several sequences in one file, nested cuts, speeds by keys

alter table cut
  -- which of the file's sequences this is
  add column chosen int not null default 0,
  -- the one picture lane that shots are made of; null for what is seen of all
  add column picked_lane int null;

create table cut_choice (
  id bigint primary key,
  cut_id bigint not null references cut (id) on delete cascade,
  place int not null,
  name varchar(500) not null,
  frames bigint not null,
  events int not null,
  unique (cut_id, place)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table cut_nested (
  id bigint primary key,
  cut_id bigint not null references cut (id) on delete cascade,
  name varchar(500) not null,
  rate varchar(40) not null,
  drop_frame boolean not null,
  rec_in bigint not null,
  rec_out bigint not null
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

alter table cut_lane
  add column nested_id bigint null references cut_nested (id) on delete cascade;

alter table cut_event
  add column nested_id bigint null references cut_nested (id),
  add column smooth boolean not null default false;

create table cut_event_key (
  event_id bigint not null references cut_event (id) on delete cascade,
  place int not null,
  record_frame bigint not null,
  source_frame varchar(60) not null,
  primary key (event_id, place)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;
