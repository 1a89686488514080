-- what a render is good for, and which frames of it are to spare; a final has the name of the draft that it stands for
alter table render
  add column grade varchar(10) not null default 'DRAFT',
  add column handles int not null default 0 check (handles >= 0),
  drop index project_id,
  add unique (project_id, name, grade);
