-- What the list shows of a job besides: a sketch, what it costs, how long it takes, as JSON; worked out with its verdict.
alter table summaries add column glance text;
