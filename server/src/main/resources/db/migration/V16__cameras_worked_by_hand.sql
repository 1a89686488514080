-- values that no key moves; null for what nobody ever touched
alter table camera add x double null, add y double null, add z double null, add pan double null, add tilt double null,
  add roll double null, add lens double null, add focus double null, modify t_stop double null,
  add locked boolean not null default false,
  add aim_item bigint null references item (id), add aim_x double not null default 0, add aim_y double not null default 0,
  add aim_z double not null default 0, add aim_lag double not null default 0,
  add focus_item bigint null references item (id), add focus_x double not null default 0,
  add focus_y double not null default 0, add focus_z double not null default 0;
update camera set t_stop = null where t_stop = 2.8;

-- each side of a key, and which way round an angle goes
alter table camera_key add arriving varchar(100) null, add way varchar(10) not null default 'SHORT';
alter table item_key add arriving varchar(100) null, add way varchar(10) not null default 'SHORT';

create table camera_mount (
  id bigint primary key,
  camera_id bigint not null references camera (id),
  from_frame bigint null,
  item_id bigint null references item (id),
  alive tinyint(1) null,
  row_version bigint not null default 0,
  index (camera_id)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table motion_layer (
  id bigint primary key,
  scene_id bigint not null references scene (id),
  name varchar(200) not null,
  sway varchar(200) not null,
  x double null, y double null, z double null, pan double null, tilt double null, roll double null,
  alive tinyint(1) null,
  row_version bigint not null default 0,
  index (scene_id)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table camera_layer (
  id bigint primary key,
  camera_id bigint not null references camera (id),
  layer_id bigint not null references motion_layer (id),
  from_frame bigint not null,
  frames bigint not null check (frames > 0),
  strength double not null,
  switched_on boolean not null,
  alive tinyint(1) null,
  row_version bigint not null default 0,
  index (camera_id)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table viewpoint (
  id bigint primary key,
  scene_id bigint not null references scene (id),
  place int not null,
  name varchar(200) not null,
  x double not null, y double not null, z double not null, pan double not null, tilt double not null, roll double not null,
  lens double not null, focus double not null,
  alive tinyint(1) null,
  row_version bigint not null default 0,
  index (scene_id)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

-- things that are put together, held still, or out of sight while one works
alter table item add grouped varchar(200) null, add locked boolean not null default false, add hidden boolean not null default false;
