-- A link may run out by itself.
alter table shares add column until text;

-- Offers that were accepted: by whom, on which day, with what was offered as it read then, its hash, and the signature as it was drawn.
create table acceptances (
  number integer primary key,
  job_id text not null references jobs (id) on delete cascade,
  share text not null,
  name text not null,
  on_day text not null,
  chosen text,
  price text not null,
  offered text not null,
  sha256 text not null,
  signature text not null,
  at text not null,
  address text not null
) strict;
create index acceptances_of_job on acceptances (job_id);
create trigger acceptances_stay before update on acceptances begin select raise(abort, 'What was accepted stays as it is.'); end;

-- What a customer asked on the page, and what the office answered there.
create table comments (
  number integer primary key,
  job_id text not null references jobs (id) on delete cascade,
  share text not null,
  name text not null,
  said text not null,
  at text not null,
  answer text,
  answered_at text,
  answered_by text
) strict;
create index comments_of_job on comments (job_id);
