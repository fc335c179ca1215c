-- The lives of this database. One that is put back from a copy begins another: from there on two histories share their numbers, and the
-- versions that a device knows from before are not trusted. as_of: the moment whose state it begins from, null where nobody can tell;
-- reset: what was there before was emptied on purpose.
create table epochs (
  number integer primary key,
  id text not null unique,
  begun_at text not null,
  as_of text,
  reset integer not null
) strict;

-- How far each job had come when an epoch began.
create table epoch_jobs (
  epoch integer not null references epochs (number),
  job_id text not null,
  seq integer not null,
  primary key (epoch, job_id)
) strict, without rowid;

-- One row in a copy, none in a database that is worked on: when it was copied.
create table copied (at text not null) strict;

-- Written anew as work goes on, here and in a file beside: a database that was put in place by hand has another.
create table present (note text not null) strict;
