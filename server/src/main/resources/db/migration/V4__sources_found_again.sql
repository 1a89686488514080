-- where files came from, and what they tell of themselves, so that clips find them by more than their name
alter table media
  -- its name with the folders it was given with
  add column path varchar(1000) not null default '',
  -- where it lies in a folder of the server; null where it is kept below the media folder
  add column linked varchar(1000) null,
  add column reel varchar(200) null,
  modify stored varchar(200) null;
update media set path = name;

-- the pictures of a numbered run, by their number
create table media_frame (
  id bigint primary key,
  media_id bigint not null references media (id),
  number bigint not null,
  frame_id bigint not null references media (id),
  unique (media_id, number)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

-- what lists of checksums say of files
create table listed_file (
  id bigint primary key,
  project_id bigint not null references project (id),
  path varchar(1000) not null,
  bytes bigint not null,
  method varchar(10) not null,
  digest varchar(128) not null,
  key (project_id, bytes)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

-- files that hold what a list says of another name
create table media_listed (
  id bigint primary key,
  media_id bigint not null references media (id),
  path varchar(1000) not null
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

-- the file that somebody chose for a clip's source; without media none of the files is it
create table source_choice (
  id bigint primary key,
  project_id bigint not null references project (id),
  kind varchar(10) not null,
  source_key varchar(1000) not null,
  media_id bigint null references media (id),
  alive tinyint(1) null,
  key (project_id)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

alter table board add column source_key varchar(1000) null;
update board b join shot s on s.id = b.shot_id set b.source_key = s.anchor_key;
alter table sound add column source_key varchar(1000) null;

-- which way rates were made to meet; null as the file has it
alter table cut
  add column file_rate varchar(40) null,
  add column rate_way varchar(20) null,
  add column clip_way varchar(20) null;

-- what to do about flashes, gaps and overlaps
create table cut_fix (
  id bigint primary key,
  cut_id bigint not null references cut (id) on delete cascade,
  at_frame bigint not null,
  fix varchar(20) not null,
  unique (cut_id, at_frame)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

-- cameras named for shots before they are made; those of one name are one camera
create table cut_camera (
  id bigint primary key,
  cut_id bigint not null references cut (id) on delete cascade,
  at_frame bigint not null,
  name varchar(200) not null,
  unique (cut_id, at_frame)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;
