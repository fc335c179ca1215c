-- How a job came out beside its plan, as JSON; worked out with its verdict. Of one of which nothing was told, nothing.
alter table summaries add column ledger text;
-- Jars that were tried there, as JSON.
alter table summaries add column jars text;
create index summaries_ledger on summaries (job_id) where ledger is not null;
