-- Days on which somebody is at a job that is given to them, both within; none where no day was said.
alter table given_jobs add column from_day text;
alter table given_jobs add column to_day text;

-- News: for one person, or for all who have a right. Who did it is not told of it.
create table told (
  -- Never given twice, as each has read up to one.
  number integer primary key autoincrement,
  at text not null,
  job_id text not null references jobs (id) on delete cascade,
  person_id text references people (id),
  needs text,
  by_reader text not null,
  -- Of which one stands alone as long as it is not read: the days that somebody is given.
  sort text,
  what text not null
) strict;
create index told_of_job on told (job_id);
-- Up to where somebody has read them; 'office' for devices that are nobody's in particular.
create table told_read (
  reader text primary key,
  number integer not null
) strict, without rowid;
