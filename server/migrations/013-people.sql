-- People of the company. Who has gone is kept, so that what they did keeps their name. The hash tells a copy put back who has gone since.
create table people (
  id text primary key,
  name text not null,
  -- The name as it is looked for: small letters, without accents.
  called text not null,
  role text not null check (role in ('owner', 'planner', 'bookkeeper', 'crew', 'viewer')),
  -- 1: at every job; 0: at those given to them.
  everywhere integer not null,
  -- argon2id as a PHC string; none of who comes by another way.
  password text,
  token_hash text not null,
  made_at text not null,
  withdrawn_at text
) strict;
create unique index people_by_name on people (called) where withdrawn_at is null;

-- Codes for who has lost every other way in; each is good once.
create table recovery_codes (
  person_id text not null references people (id),
  code_hash text not null,
  used_at text,
  primary key (person_id, code_hash)
) strict, without rowid;

-- A passkey: its public key, and how often it said it was used.
create table passkeys (
  id text primary key,
  person_id text not null references people (id),
  public_key blob not null,
  counter integer not null,
  transports text not null,
  made_at text not null,
  used_at text
) strict;

-- Invitations: of somebody new, or a way back in for somebody who is known. Good once, and until its time.
create table invitations (
  token_hash text primary key,
  name text not null,
  role text not null,
  everywhere integer not null,
  person_id text references people (id),
  made_at text not null,
  made_by text not null,
  until text not null,
  used_at text,
  withdrawn_at text
) strict;

-- Jobs given to people. A role narrows what they may there.
create table given_jobs (
  person_id text not null references people (id),
  job_id text not null references jobs (id) on delete cascade,
  role text,
  given_at text not null,
  primary key (person_id, job_id)
) strict, without rowid;

-- Whose a device is; nobody's in particular where it was let in by the code on the server's screen.
alter table devices add column person_id text references people (id);
-- Where it came from when it was let in: known there, its owner is not kept out by others' guessing.
alter table devices add column from_address text;

-- Who did what, from where. Only ever added to.
create table audit (
  number integer primary key,
  at text not null,
  who text not null,
  address text not null,
  what text not null
) strict;
create trigger audit_stays before update on audit begin select raise(abort, 'The trail is only added to.'); end;
create trigger audit_is_kept before delete on audit begin select raise(abort, 'The trail is only added to.'); end;

-- Changes that somebody sent who may not make them any more: kept for who may.
create table handed (
  number integer primary key,
  job_id text not null references jobs (id) on delete cascade,
  person_id text references people (id),
  change_id text not null,
  label text not null,
  body text not null,
  at text not null,
  by text not null,
  settled_at text,
  unique (job_id, change_id)
) strict;
