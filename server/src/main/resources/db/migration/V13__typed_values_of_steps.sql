-- values are written as their type writes itself, as long as they are: flags as words, instants with their zone
alter table step_value modify old_value longtext null, modify new_value longtext null;
update step_value set old_value = if(old_value = '1', 'true', 'false')
  where old_value in ('0', '1') and column_name in ('alive', 'enabled', 'locked', 'drop_frame', 'anchor_still', 'omitted', 'muted',
  'solo', 'same');
update step_value set new_value = if(new_value = '1', 'true', 'false')
  where new_value in ('0', '1') and column_name in ('alive', 'enabled', 'locked', 'drop_frame', 'anchor_still', 'omitted', 'muted',
  'solo', 'same');
update step_value set old_value = concat(replace(old_value, ' ', 'T'), 'Z')
  where column_name in ('handed_back_at', 'received_at') and old_value like '% %';
update step_value set new_value = concat(replace(new_value, ' ', 'T'), 'Z')
  where column_name in ('handed_back_at', 'received_at') and new_value like '% %';
