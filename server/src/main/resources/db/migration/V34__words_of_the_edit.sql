-- one name for one thing: a master's clips, tracks and markers, and the keys of a retime
rename table section to clip, master_lane to master_track, cut_lane to cut_track, sound_lane to sound_track,
  master_mark to master_marker;
alter table clip rename column lane_id to track_id, rename column bends to retime_keys;
alter table render rename column bends to retime_keys;
alter table cut rename column picked_lane to picked_track;
alter table cut_event rename column lane_id to track_id;
alter table cut_transition rename column lane_id to track_id;
alter table master_marker rename column section_id to clip_id;
alter table sound rename column lane to track;

-- steps name tables and columns
update step_value v join step_row r on r.id = v.step_row_id set v.column_name = 'track_id' where r.table_name = 'section' and v.column_name = 'lane_id';
update step_value v join step_row r on r.id = v.step_row_id set v.column_name = 'retime_keys' where r.table_name = 'section' and v.column_name = 'bends';
update step_value v join step_row r on r.id = v.step_row_id set v.column_name = 'picked_track' where r.table_name = 'cut' and v.column_name = 'picked_lane';
update step_value v join step_row r on r.id = v.step_row_id set v.column_name = 'clip_id' where r.table_name = 'master_mark' and v.column_name = 'section_id';
update step_value v join step_row r on r.id = v.step_row_id set v.column_name = 'track' where r.table_name = 'sound' and v.column_name = 'lane';
update step_row set table_name = case table_name when 'section' then 'clip' when 'master_lane' then 'master_track'
  when 'cut_lane' then 'cut_track' when 'sound_lane' then 'sound_track' else 'master_marker' end
  where table_name in ('section', 'master_lane', 'cut_lane', 'sound_lane', 'master_mark');
