-- how codes that the edit room writes into clip names are found there; null to number shots by the project's rule
alter table project
  add column code_pattern varchar(100) null;
