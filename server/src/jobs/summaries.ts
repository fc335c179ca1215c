/**
 * The jobs list. A job's head lies ready beside it, its verdict as of a sequence number and of this program; one that is older is worked
 * out beside the requests, and the list answers without waiting for it.
 */
import type { CompanyJars, JobList, JobQuery, JobRow, Ledger, Rounds, Verdict } from '@katabasis/core';
import { fold, type Db } from '../database';
import type { Comes } from '../planning/outcome';

const PAGE = 50;

interface SummaryRow {
  id: string;
  seq: number;
  updated_at: string;
  name: string | null;
  client: string | null;
  site: string | null;
  state: JobRow['state'] | null;
  date: string | null;
  units: JobRow['units'] | null;
  verdict_seq: number | null;
  engine: string | null;
  verdict: string | null;
  trouble: string | null;
  glance: string | null;
}

/** What a verdict came to: the verdict, or why there is none. */
export type Outcome = { job: string; seq?: number } & Comes;

const WHERE = `from jobs left join summaries on job_id = id where deleted_at is null
  and (@only is null or id in (select value from json_each(@only)))
  and (@find is null or search like @find escape '\\')
  and (@state is null or state = @state) and (@from is null or date >= @from) and (@to is null or date <= @to)`;

export class Summaries {
  private readonly engine: string;
  private readonly want: (job: string) => void;
  private readonly sql;

  /** `engine`: what tells this program's verdicts from another's. `want` has a job's verdict worked out; `settle` takes what it came to. */
  constructor(db: Db, engine: string, want: (job: string) => void) {
    this.engine = engine;
    this.want = want;
    this.sql = {
      page: db.prepare<[object], SummaryRow>(
        `select id, seq, updated_at, name, client, site, state, date, units, verdict_seq, engine, verdict, trouble, glance ${WHERE}
           and (@at is null or updated_at < @at or (updated_at = @at and id > @id))
         order by updated_at desc, id limit @limit`,
      ),
      count: db.prepare<[object], { total: number }>(`select count(*) as total ${WHERE}`),
      countAll: db.prepare<[], { total: number }>('select count(*) as total from jobs where deleted_at is null'),
      kept: db.prepare<[], Pick<SummaryRow, 'id' | 'name' | 'site'> & { kept: string }>(
        `select id, name, site, kept from jobs join summaries on job_id = id
         where kept is not null and deleted_at is null order by id`,
      ),
      ledger: db.prepare<[], Pick<SummaryRow, 'id' | 'name'> & { ledger: string }>(
        `select id, name, ledger from jobs join summaries on job_id = id
         where ledger is not null and deleted_at is null order by id`,
      ),
      jars: db.prepare<[], Pick<SummaryRow, 'id' | 'name'> & { jars: string }>(
        'select id, name, jars from jobs join summaries on job_id = id where jars is not null and deleted_at is null order by id',
      ),
      // What another program worked out may be told of: it is worked out anew all the same.
      behind: db.prepare<[string], { id: string }>(
        `select id from jobs left join summaries on job_id = id
         where deleted_at is null and (verdict_seq is not seq or engine is not ?)`,
      ),
      settle: db.prepare(
        `insert into summaries (job_id, name, units, search, verdict_seq, engine, verdict, trouble, glance, kept, ledger, jars)
         select id, id, 'us', '', ifnull(@seq, seq), @engine, @verdict, @trouble, @glance, @kept, @ledger, @jars from jobs where id = @job
         on conflict (job_id) do update set verdict_seq = excluded.verdict_seq, engine = excluded.engine,
           verdict = excluded.verdict, trouble = excluded.trouble, glance = excluded.glance, kept = excluded.kept,
           ledger = excluded.ledger, jars = excluded.jars`,
      ),
    };
  }

  /** `only`: the jobs that whoever asks may know of; null for all. */
  list({ find, state, from, to, after, limit = PAGE }: JobQuery, only: ReadonlySet<string> | null = null): JobList {
    const asked = {
      only: only && JSON.stringify([...only]),
      find: find === undefined ? null : `%${fold(find.trim()).replace(/[\\%_]/g, '\\$&')}%`,
      state: state ?? null,
      from: from ?? null,
      to: to ?? null,
    };
    const narrowed = Object.values(asked).some((part) => part !== null);
    const [at, id] = after?.split(' ') ?? [null, null];
    const rows = this.sql.page.all({ ...asked, at, id: id ?? '', limit });
    const last = rows.at(-1);
    return {
      jobs: rows.map((row) => this.row(row)),
      total: (narrowed ? this.sql.count.get(asked) : this.sql.countAll.get())!.total,
      next: last && rows.length === limit ? `${last.updated_at} ${last.id}` : null,
    };
  }

  /** Every job that is looked after, with what it is due for. */
  rounds(): Rounds {
    const pending = this.wantBehind();
    return {
      jobs: this.sql.kept.all().map(({ id, name, site, kept }) => ({
        id,
        name: name ?? id,
        ...(site === null ? {} : { site }),
        kept: JSON.parse(kept) as Rounds['jobs'][number]['kept'],
      })),
      pending,
    };
  }

  /** Every job of which something was told in the end. */
  ledger(): Ledger {
    const pending = this.wantBehind();
    return {
      jobs: this.sql.ledger.all().map(({ id, name, ledger }) => ({
        id,
        name: name ?? id,
        entry: JSON.parse(ledger) as Ledger['jobs'][number]['entry'],
      })),
      pending,
    };
  }

  /** Every jar that was tried at any job. */
  jars(): CompanyJars {
    const pending = this.wantBehind();
    return {
      pending,
      tests: this.sql.jars.all().flatMap(({ id, name, jars }) =>
        (JSON.parse(jars) as Omit<CompanyJars['tests'][number], 'job' | 'name'>[]).map((test) => ({
          job: id,
          name: name ?? id,
          ...test,
        })),
      ),
    };
  }

  /** Has worked out what lies behind; how many jobs those are. */
  private wantBehind(): number {
    const behind = this.sql.behind.all(this.engine);
    for (const { id } of behind) this.want(id);
    return behind.length;
  }

  /** Takes in what a job came to. */
  settle(outcome: Outcome): void {
    this.sql.settle.run({
      job: outcome.job,
      seq: outcome.seq ?? null,
      engine: this.engine,
      verdict: 'verdict' in outcome ? JSON.stringify(outcome.verdict) : null,
      trouble: 'trouble' in outcome ? outcome.trouble : null,
      glance: 'glance' in outcome ? JSON.stringify(outcome.glance) : null,
      kept: 'kept' in outcome && outcome.kept ? JSON.stringify(outcome.kept) : null,
      ledger: 'ledger' in outcome && outcome.ledger ? JSON.stringify(outcome.ledger) : null,
      jars: 'jars' in outcome && outcome.jars.length > 0 ? JSON.stringify(outcome.jars) : null,
    });
  }

  private row(row: SummaryRow): JobRow {
    const current = row.verdict_seq === row.seq && row.engine === this.engine;
    if (!current) this.want(row.id);
    return {
      id: row.id,
      name: row.name ?? row.id,
      units: row.units ?? 'us',
      seq: row.seq,
      updatedAt: row.updated_at,
      verdict: current && row.verdict !== null ? (JSON.parse(row.verdict) as Verdict) : null,
      ...(current && row.trouble !== null ? { trouble: row.trouble } : {}),
      ...(current && row.glance !== null ? { glance: JSON.parse(row.glance) as NonNullable<JobRow['glance']> } : {}),
      ...(row.site === null ? {} : { site: row.site }),
      ...(row.client === null ? {} : { client: row.client }),
      ...(row.state === null ? {} : { state: row.state }),
      ...(row.date === null ? {} : { date: row.date }),
    };
  }
}
