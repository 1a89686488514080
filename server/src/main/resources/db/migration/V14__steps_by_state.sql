-- every edit passes over what is left undone, and every undo looks for the last step that holds: neither may read a history of
-- thousands of steps
create index step_by_state on step (project_id, state, seq);
