-- what is chosen about a cut before it is received can be undone as any edit
alter table cut_apart add column alive tinyint(1) null;
update cut_apart set alive = 1;
alter table cut_apart add unique (cut_id, seam, alive);
alter table cut_apart drop index cut_id;
alter table cut_fix add column alive tinyint(1) null;
update cut_fix set alive = 1;
alter table cut_fix add unique (cut_id, at_frame, alive);
alter table cut_fix drop index cut_id;
alter table cut_camera add column alive tinyint(1) null;
update cut_camera set alive = 1;
alter table cut_camera add unique (cut_id, at_frame, alive);
alter table cut_camera drop index cut_id;
