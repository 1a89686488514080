-- titles, colours and bars of a cut are slates of its master: what their list says of them goes back with them
alter table cut_event
  add column words text null,
  add column kept_format varchar(20) null,
  add column kept mediumtext null;
alter table section
  modify words text null,
  add column generator varchar(500) null,
  add column kept_format varchar(20) null,
  add column kept mediumtext null;
