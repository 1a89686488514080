-- which rate was given for a cut, apart from the one that it has: another of its sequences may have its own
alter table cut add column given_rate varchar(40) null;
