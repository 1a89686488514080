-- how scenes are found in clip names, written as the pattern of codes is
alter table project add scene_pattern varchar(100) null;
