-- The company whose jobs these are: its name, its ways of building and working, as JSON. One row.
create table company (
  id integer primary key check (id = 1),
  body text not null,
  changed_at text not null
) strict;
