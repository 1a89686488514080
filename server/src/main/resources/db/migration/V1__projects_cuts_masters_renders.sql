-- One number line for all ids, so that a row of any table can be named by its id alone.
create sequence ids start with 1000 increment by 100;

-- "alive" is 1 or null: what is taken away stays, so that it can come back; unique keys count living rows only.

create table project (
  id bigint primary key,
  name varchar(200) not null,
  rate varchar(40) not null,
  drop_frame boolean not null,
  prefix varchar(16) not null,
  number_step int not null check (number_step > 0),
  digits int not null check (digits between 1 and 8),
  first_frame int not null check (first_frame >= 0),
  handles int not null check (handles >= 0),
  picture_width int not null check (picture_width between 16 and 4096),
  picture_height int not null check (picture_height between 16 and 4096),
  back_width double not null check (back_width > 0),
  back_height double not null check (back_height > 0),
  seq bigint not null,
  alive tinyint(1) null
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table scene (
  id bigint primary key,
  project_id bigint not null references project (id),
  code varchar(40) not null,
  name varchar(200) not null,
  alive tinyint(1) null
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table item (
  id bigint primary key,
  scene_id bigint not null references scene (id),
  place int not null,
  name varchar(200) not null,
  shape varchar(20) not null,
  colour char(7) not null,
  width double not null check (width > 0),
  height double not null check (height > 0),
  depth double not null check (depth > 0),
  alive tinyint(1) null
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table item_key (
  id bigint primary key,
  item_id bigint not null references item (id),
  channel varchar(10) not null,
  frame bigint not null,
  value double not null,
  easing varchar(10) not null,
  alive tinyint(1) null,
  unique (item_id, channel, frame, alive)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table camera (
  id bigint primary key,
  scene_id bigint not null references scene (id),
  name varchar(200) not null,
  back_width double not null check (back_width > 0),
  back_height double not null check (back_height > 0),
  t_stop double not null check (t_stop > 0),
  alive tinyint(1) null
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table camera_key (
  id bigint primary key,
  camera_id bigint not null references camera (id),
  channel varchar(10) not null,
  frame bigint not null,
  value double not null,
  easing varchar(10) not null,
  alive tinyint(1) null,
  unique (camera_id, channel, frame, alive)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table shot (
  id bigint primary key,
  project_id bigint not null references project (id),
  scene_id bigint not null references scene (id),
  camera_id bigint not null references camera (id),
  code varchar(40) not null,
  cut_in bigint not null,
  cut_out bigint not null,
  handles int not null check (handles >= 0),
  action_offset bigint not null,
  anchor_key varchar(1000) not null,
  anchor_name varchar(500) not null,
  anchor_frame bigint not null,
  anchor_source varchar(60) not null,
  anchor_slope varchar(60) not null,
  anchor_still boolean not null,
  omitted boolean not null,
  alive tinyint(1) null,
  unique (project_id, code, alive),
  check (cut_out > cut_in)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table media (
  id bigint primary key,
  project_id bigint not null references project (id),
  name varchar(400) not null,
  kind varchar(10) not null,
  stored varchar(200) not null,
  bytes bigint not null,
  sha256 char(64) not null,
  width int not null,
  height int not null,
  rate varchar(40) null,
  frames bigint not null,
  seconds double not null,
  start_frame bigint not null,
  alive tinyint(1) null,
  key (project_id, sha256)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table board (
  id bigint primary key,
  shot_id bigint not null references shot (id),
  source_name varchar(500) not null,
  media_id bigint null references media (id),
  alive tinyint(1) null
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table cut (
  id bigint primary key,
  project_id bigint not null references project (id),
  version int not null,
  name varchar(500) not null,
  file_name varchar(400) not null,
  stored varchar(200) not null,
  sha256 char(64) not null,
  rate varchar(40) not null,
  rate_reason varchar(500) null,
  drop_frame boolean not null,
  rec_in bigint not null,
  rec_out bigint not null,
  state varchar(12) not null,
  received_at timestamp(3) not null,
  check (rec_out > rec_in)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table cut_lane (
  id bigint primary key,
  cut_id bigint not null references cut (id) on delete cascade,
  place int not null,
  kind varchar(10) not null,
  name varchar(100) not null,
  enabled boolean not null,
  unique (cut_id, place)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table cut_event (
  id bigint primary key,
  lane_id bigint not null references cut_lane (id) on delete cascade,
  place int not null,
  number varchar(20) null,
  kind varchar(12) not null,
  name varchar(500) not null,
  enabled boolean not null,
  rec_in bigint not null,
  rec_out bigint not null,
  source_name varchar(500) null,
  source_reel varchar(500) null,
  source_file varchar(1000) null,
  source_rate varchar(40) null,
  source_start bigint null,
  source_length bigint null,
  source_from varchar(60) not null,
  source_to varchar(60) not null,
  unique (lane_id, place),
  check (rec_out > rec_in)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table cut_event_comment (
  event_id bigint not null references cut_event (id) on delete cascade,
  place int not null,
  text varchar(2000) not null,
  primary key (event_id, place)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table cut_transition (
  id bigint primary key,
  lane_id bigint not null references cut_lane (id) on delete cascade,
  kind varchar(10) not null,
  rec_in bigint not null,
  rec_out bigint not null,
  cut_at bigint not null,
  wipe varchar(10) null
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table cut_marker (
  id bigint primary key,
  cut_id bigint not null references cut (id) on delete cascade,
  rec_in bigint not null,
  rec_out bigint not null,
  name varchar(1000) not null,
  comment varchar(2000) not null,
  colour varchar(40) not null
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table cut_remark (
  id bigint primary key,
  cut_id bigint not null references cut (id) on delete cascade,
  place int not null,
  severity varchar(10) not null,
  spot varchar(200) not null,
  text varchar(2000) not null
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

-- seams between pieces that could be one shot and are to stay two
create table cut_apart (
  id bigint primary key,
  cut_id bigint not null references cut (id) on delete cascade,
  seam bigint not null,
  unique (cut_id, seam)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table master (
  id bigint primary key,
  project_id bigint not null references project (id),
  scene_id bigint not null references scene (id),
  name varchar(500) not null,
  rec_start bigint not null,
  cut_id bigint not null references cut (id),
  alive tinyint(1) null
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table section (
  id bigint primary key,
  master_id bigint not null references master (id),
  shot_id bigint not null references shot (id),
  rec_in bigint not null,
  rec_out bigint not null,
  from_position varchar(60) not null,
  speed varchar(60) not null,
  enabled boolean not null,
  head_kind varchar(10) null,
  head_before bigint not null,
  head_after bigint not null,
  tail_kind varchar(10) null,
  tail_before bigint not null,
  tail_after bigint not null,
  alive tinyint(1) null,
  check (rec_out > rec_in)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

-- a piece of sound of a master; without media it has only its name
create table sound (
  id bigint primary key,
  master_id bigint not null references master (id),
  lane varchar(100) not null,
  name varchar(500) not null,
  media_id bigint null references media (id),
  rec_in bigint not null,
  rec_out bigint not null,
  from_seconds varchar(60) not null,
  alive tinyint(1) null,
  check (rec_out > rec_in)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table render (
  id bigint primary key,
  project_id bigint not null references project (id),
  shot_id bigint null references shot (id),
  master_id bigint null references master (id),
  name varchar(100) not null,
  version int not null check (version > 0),
  state varchar(10) not null,
  width int not null,
  height int not null,
  burn_in boolean not null,
  from_position varchar(60) not null,
  speed varchar(60) not null,
  frames bigint not null check (frames > 0),
  frames_done bigint not null,
  file varchar(200) null,
  bytes bigint not null,
  sha256 char(64) null,
  error varchar(500) null,
  who varchar(100) not null,
  requested_at timestamp(3) not null,
  started_at timestamp(3) null,
  finished_at timestamp(3) null,
  unique (project_id, name),
  check ((shot_id is null) <> (master_id is null))
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table render_part (
  id bigint primary key,
  render_id bigint not null references render (id) on delete cascade,
  part varchar(40) not null,
  digest varchar(64) not null,
  unique (render_id, part)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

-- a named edit; undone and redone whole
create table step (
  id bigint primary key,
  project_id bigint not null references project (id),
  seq bigint not null,
  name varchar(300) not null,
  who varchar(100) not null,
  made_at timestamp(3) not null,
  state varchar(10) not null,
  unique (project_id, seq)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

-- one row that a step touched
create table step_row (
  id bigint primary key,
  step_id bigint not null references step (id),
  place int not null,
  table_name varchar(40) not null,
  row_id bigint not null,
  kind varchar(8) not null,
  unique (step_id, place)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

-- one value that a step changed in it
create table step_value (
  id bigint primary key,
  step_row_id bigint not null references step_row (id),
  column_name varchar(40) not null,
  old_value varchar(2000) null,
  new_value varchar(2000) null,
  unique (step_row_id, column_name)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;
