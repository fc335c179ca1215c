-- The stand-in locating office's tickets: what was asked of it, as JSON.
create table locate_tickets (
  ticket text primary key,
  asked_on text not null,
  ready_on text not null,
  services text not null
) strict, without rowid;

-- Price books of the company, each from a day on; prices as a job keeps them, as JSON.
create table price_books (
  id text primary key,
  name text not null,
  from_day text not null,
  prices text not null,
  made_at text not null
) strict, without rowid;

-- Pages that are read without being let in, by the hash of a link that cannot be guessed.
create table shares (
  token_hash text primary key,
  job_id text not null references jobs (id) on delete cascade,
  audience text not null check (audience in ('crew', 'customer')),
  made_at text not null,
  withdrawn_at text
) strict, without rowid;
create index shares_of_job on shares (job_id);
