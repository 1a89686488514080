-- how a render is made, where its files lie, and its place in the queue
alter table render
  add column recipe longtext null,
  add column recipe_name varchar(100) null,
  add column rate varchar(40) null,
  add column folder varchar(400) null,
  add column place bigint not null default 0,
  add column driver varchar(300) null;
update render set place = id;

create table render_output (
  id bigint primary key,
  render_id bigint not null references render (id) on delete cascade,
  kind varchar(20) not null,
  file varchar(400) not null,
  last_file varchar(400) not null,
  files bigint not null,
  bytes bigint not null,
  row_version bigint not null default 0,
  unique (render_id, kind)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table recipe (
  id bigint primary key,
  project_id bigint not null references project (id),
  name varchar(100) not null,
  usual boolean not null,
  settings longtext not null,
  alive boolean null default true,
  row_version bigint not null default 0,
  unique (project_id, name, alive)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

-- the tables of db-scheduler, as its documents have them: chunks to draw, and files to write
create table scheduled_drawing (
  task_name varchar(100) not null,
  task_instance varchar(100) not null,
  task_data blob null,
  execution_time timestamp(6) not null default current_timestamp(6),
  picked boolean not null,
  picked_by varchar(50) null,
  last_success timestamp(6) null default null,
  last_failure timestamp(6) null default null,
  consecutive_failures int null,
  last_heartbeat timestamp(6) null default null,
  version bigint not null,
  priority int null,
  primary key (task_name, task_instance),
  index scheduled_drawing_due (picked, priority desc, execution_time),
  index scheduled_drawing_heard (last_heartbeat)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

create table scheduled_writing like scheduled_drawing;
