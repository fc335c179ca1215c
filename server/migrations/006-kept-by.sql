-- Which device a file came from, null from the server's own machine: how much of the disk each has taken.
alter table files add column kept_by text;
create index files_by_device on files (kept_by);
