-- Photos and files that elements name by hash. Their bytes lie in a folder beside the database; a row is written once they do.
create table files (
  hash text primary key,
  size integer not null,
  type text not null,
  kept_at text not null
) strict, without rowid;
