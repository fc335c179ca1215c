-- A page for who lives there, once it is laid: what to look after, and what lies where.
create table shares_of_three (
  token_hash text primary key,
  job_id text not null references jobs (id) on delete cascade,
  audience text not null check (audience in ('crew', 'customer', 'keeper')),
  made_at text not null,
  withdrawn_at text
) strict, without rowid;
insert into shares_of_three select token_hash, job_id, audience, made_at, withdrawn_at from shares;
drop table shares;
alter table shares_of_three rename to shares;
create index shares_of_job on shares (job_id);
