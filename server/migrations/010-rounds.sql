-- What a job that is looked after has due, as JSON; worked out with its verdict. Of others nothing.
alter table summaries add column kept text;
create index summaries_kept on summaries (job_id) where kept is not null;
