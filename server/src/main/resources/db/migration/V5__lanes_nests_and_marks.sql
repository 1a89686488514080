-- lanes of a master, from the bottom up; 0 is the one that shots are conformed on
create table master_lane (
  id bigint primary key,
  master_id bigint not null references master (id),
  place int not null,
  name varchar(100) not null,
  enabled boolean not null,
  locked boolean not null,
  alive tinyint(1) null,
  key (master_id)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;
insert into master_lane (id, master_id, place, name, enabled, locked, alive)
  select nextval(ids), id, 0, 'Shots', 1, 0, 1 from master;

alter table section
  add column lane_id bigint null references master_lane (id),
  modify shot_id bigint null,
  -- what it shows: a shot, another master, a finished render, black, or a slate with words on it
  add column content varchar(10) not null default 'SHOT',
  add column nested_id bigint null references master (id),
  add column render_id bigint null references render (id),
  add column words varchar(500) null,
  -- keys of a speed that changes: frame:position:easing, parted by blanks
  add column bends varchar(3000) not null default '',
  add column head_curve varchar(10) null,
  add column tail_curve varchar(10) null,
  add check (content <> 'SHOT' or shot_id is not null),
  add check (content <> 'MASTER' or nested_id is not null),
  add check (content <> 'RENDER' or render_id is not null);
update section s join master_lane l on l.master_id = s.master_id set s.lane_id = l.id;
alter table section modify lane_id bigint not null;

-- a master can be begun without a cut
alter table master modify cut_id bigint null;

alter table step_value modify old_value varchar(3000) null, modify new_value varchar(3000) null;

-- renders of a piece whose speed changes
alter table render add column bends varchar(3000) not null default '';

-- old numbers of shots, known for ever
create table shot_alias (
  id bigint primary key,
  project_id bigint not null references project (id),
  shot_id bigint not null references shot (id),
  code varchar(40) not null,
  alive tinyint(1) null,
  key (project_id)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

-- a mark at frames of a master, or at a position of what a piece shows, that goes along with the piece
create table master_mark (
  id bigint primary key,
  master_id bigint not null references master (id),
  section_id bigint null references section (id),
  rec_in bigint not null,
  frames bigint not null check (frames > 0),
  position varchar(60) null,
  words varchar(1000) not null,
  who varchar(100) not null,
  alive tinyint(1) null,
  key (master_id)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

-- how a lane of sound is heard
create table sound_lane (
  id bigint primary key,
  master_id bigint not null references master (id),
  name varchar(100) not null,
  muted boolean not null,
  solo boolean not null,
  level double not null,
  alive tinyint(1) null,
  key (master_id)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

alter table sound
  -- in decibels; fades in frames
  add column level double not null default 0,
  add column fade_in bigint not null default 0,
  add column fade_out bigint not null default 0;

-- once a cut was handed back, shots keep their numbers
alter table project add column handed_back_at timestamp(3) null;

-- which later steps touched the same row: asked before every undo
create index step_row_touched on step_row (table_name, row_id);

-- frames by which a step pushed a piece along: rows of kind PUSH have this instead of values
alter table step_row add column pushed bigint null;
