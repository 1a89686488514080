-- many renders are made by one recipe: its text is kept once, so that lists of renders do not carry it
create table recipe_text (
  id bigint primary key,
  digest char(24) not null,
  settings longtext not null,
  row_version bigint not null default 0,
  index (digest)
) engine=InnoDB default charset=utf8mb4 collate=utf8mb4_bin;

insert into recipe_text (id, digest, settings)
  select min(id), left(sha2(recipe, 256), 24), recipe from render where recipe is not null group by recipe;

alter table render add column recipe_text_id bigint null references recipe_text (id);
update render r join recipe_text t on t.digest = left(sha2(r.recipe, 256), 24) set r.recipe_text_id = t.id where r.recipe is not null;
alter table render drop column recipe;
