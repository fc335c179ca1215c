-- Places between places: what comes back from an undo comes back where it stood.
create table elements_placed (
  job_id text not null references jobs (id) on delete cascade,
  id text not null,
  kind text not null,
  version integer not null,
  place real not null,
  body text not null,
  primary key (job_id, id)
) strict, without rowid;
insert into elements_placed select job_id, id, kind, version, place, body from elements;
drop table elements;
alter table elements_placed rename to elements;

-- What the list shows of a job: its head, kept with every change, and its verdict as of a sequence number, worked out beside the requests.
create table summaries (
  job_id text primary key references jobs (id) on delete cascade,
  name text not null,
  client text,
  site text,
  state text,
  date text,
  units text not null,
  search text not null,
  verdict_seq integer,
  engine text,
  verdict text,
  trouble text
) strict, without rowid;
insert into summaries (job_id, name, client, site, state, date, units, search)
  select job_id, json_extract(body, '$.name'), json_extract(body, '$.client'), json_extract(body, '$.site'),
    json_extract(body, '$.state'), json_extract(body, '$.date'), json_extract(body, '$.units'),
    fold(json_extract(body, '$.name') || ' ' || ifnull(json_extract(body, '$.client'), '') || ' ' || ifnull(json_extract(body, '$.site'), ''))
  from elements where id = 'job' and json_valid(body) and json_extract(body, '$.name') is not null;
create index jobs_by_update on jobs (updated_at desc, id);

-- Phones and other machines that were let in. A token is kept as its hash.
create table devices (
  id text primary key,
  name text not null,
  token_hash text not null unique,
  paired_at text not null,
  seen_at text not null,
  withdrawn_at text
) strict, without rowid;
