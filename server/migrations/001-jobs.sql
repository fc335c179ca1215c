-- A job's elements as they stand, and every change that led there. Nothing derived is stored.
create table jobs (
  id text primary key,
  seq integer not null default 0,
  created_at text not null,
  updated_at text not null,
  deleted_at text
) strict;

create table elements (
  job_id text not null references jobs (id) on delete cascade,
  id text not null,
  kind text not null,
  version integer not null,
  place integer not null,
  body text not null,
  primary key (job_id, id)
) strict, without rowid;

create table changes (
  job_id text not null references jobs (id) on delete cascade,
  seq integer not null,
  change_id text not null,
  label text not null,
  before text not null,
  after text not null,
  at text not null,
  by text not null,
  primary key (job_id, seq)
) strict, without rowid;

create unique index changes_by_id on changes (job_id, change_id);
