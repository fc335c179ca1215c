/** People, invitations, and the jobs given to people. */
import { randomBytes, randomUUID } from 'node:crypto';
import { rightsOf, type Invited, type People, type Right, type Role } from '@katabasis/core';
import { hashOf } from '../admission/hashOf';
import { Withdrawals } from '../admission/withdrawals';
import { fold, type Db } from '../database';
import { ProblemError } from '../http/problem';

export interface Person {
  id: string;
  name: string;
  role: Role;
  everywhere: boolean;
  password: string | null;
}

interface PersonRow extends Omit<Person, 'everywhere'> {
  everywhere: number;
}
interface InvitationRow {
  token_hash: string;
  name: string;
  role: Role;
  everywhere: number;
  person_id: string | null;
  until: string;
  used_at: string | null;
  withdrawn_at: string | null;
}
export interface GivenRow {
  job: string;
  name: string | null;
  role: Role | null;
}

const TOKEN_BYTES = 24;
const DAY_MS = 24 * 3600 * 1000;

const called = (name: string): string => fold(name.trim()).replace(/\s+/g, ' ');
const personOf = (row: PersonRow | undefined): Person | null =>
  row ? { ...row, everywhere: row.everywhere === 1 } : null;

const PERSON = 'select id, name, role, everywhere, password from people where withdrawn_at is null';

export class PeopleStore {
  /** Asked with every request of somebody who is signed in. */
  private readonly sql;

  constructor(
    private readonly db: Db,
    private readonly withdrawals = new Withdrawals(null),
    private readonly now: () => number = Date.now,
  ) {
    this.sql = {
      find: db.prepare<[string], PersonRow>(`${PERSON} and id = ?`),
      given: db.prepare<[string], GivenRow>(
        `select given_jobs.job_id as job, summaries.name, role from given_jobs
         join jobs on jobs.id = given_jobs.job_id left join summaries on summaries.job_id = jobs.id
         where person_id = ? and deleted_at is null order by given_at desc, job`,
      ),
    };
  }

  private at(): string {
    return new Date(this.now()).toISOString();
  }

  /** Somebody who has not gone. */
  find(id: string): Person | null {
    return personOf(this.sql.find.get(id));
  }

  byName(name: string): Person | null {
    return personOf(this.db.prepare<[string], PersonRow>(`${PERSON} and called = ?`).get(called(name)));
  }

  all(): Person[] {
    return this.db
      .prepare<[], PersonRow>(`${PERSON} order by called`)
      .all()
      .map((row) => personOf(row)!);
  }

  /** Jobs given to somebody. */
  given(person: string): GivenRow[] {
    return this.sql.given.all(person);
  }

  /** Invites somebody, or, of a `person`, lets them in again; gives what only its holder knows. */
  invite(
    { name, role, everywhere, days }: { name: string; role: Role; everywhere: boolean; days: number },
    by: string,
    person: string | null = null,
  ): string {
    if (person === null && this.byName(name)) throw new ProblemError(422, `${name.trim()} is here already.`);
    const token = randomBytes(TOKEN_BYTES).toString('base64url');
    this.db
      .prepare(
        'insert into invitations (token_hash, name, role, everywhere, person_id, made_at, made_by, until) values (?, ?, ?, ?, ?, ?, ?, ?)',
      )
      .run(
        hashOf(token),
        name.trim(),
        role,
        everywhere ? 1 : 0,
        person,
        this.at(),
        by,
        new Date(this.now() + days * DAY_MS).toISOString(),
      );
    return token;
  }

  /** What an invitation says; throws in words where it is none, used, withdrawn or run out. */
  invited(token: string): Invited & { person: string | null } {
    const row = this.invitation(token);
    return { name: row.name, role: row.role, until: row.until, again: row.person_id !== null, person: row.person_id };
  }

  private invitation(token: string): InvitationRow {
    const row = this.db
      .prepare<[string], InvitationRow>('select * from invitations where token_hash = ?')
      .get(hashOf(token));
    if (!row) throw new ProblemError(404, 'There is no such invitation. Ask for the link once more.');
    if (row.used_at !== null)
      throw new ProblemError(410, 'This invitation was used already. Sign in, or ask for another.');
    if (row.withdrawn_at !== null)
      throw new ProblemError(410, 'This invitation was withdrawn. Ask whoever sent it for another.');
    if (row.until < this.at()) throw new ProblemError(410, 'This invitation has run out. Ask for another.');
    return row;
  }

  /** Takes an invitation up: somebody new, or somebody who is here again with another password. */
  join(token: string, password: string): Person {
    return this.db
      .transaction(() => {
        const row = this.invitation(token);
        this.withdrawals.add(row.token_hash);
        this.db.prepare('update invitations set used_at = ? where token_hash = ?').run(this.at(), row.token_hash);
        if (row.person_id !== null) {
          const person = this.find(row.person_id);
          if (!person) throw new ProblemError(410, 'Whoever this was for is let in no more.');
          this.setPassword(person.id, password);
          return { ...person, password };
        }
        if (this.byName(row.name)) throw new ProblemError(410, `${row.name} is here already. Sign in.`);
        const id = randomUUID();
        this.db
          .prepare(
            'insert into people (id, name, called, role, everywhere, password, token_hash, made_at) values (?, ?, ?, ?, ?, ?, ?, ?)',
          )
          .run(id, row.name, called(row.name), row.role, row.everywhere, password, hashOf(id), this.at());
        return this.find(id)!;
      })
      .immediate();
  }

  setPassword(person: string, hash: string): void {
    this.db.prepare('update people set password = ? where id = ?').run(hash, person);
  }

  /** Ends an invitation that was not taken up, by the beginning of its hash. */
  withdrawInvitation(id: string): string {
    const row = this.db
      .prepare<[string], InvitationRow>(
        'select * from invitations where substr(token_hash, 1, 16) = ? and used_at is null and withdrawn_at is null',
      )
      .get(id);
    if (!row) throw new ProblemError(404, 'There is no such invitation, or it was used already.');
    this.withdrawals.add(row.token_hash);
    this.db.prepare('update invitations set withdrawn_at = ? where token_hash = ?').run(this.at(), row.token_hash);
    return row.name;
  }

  invitations(): People['invitations'] {
    return this.db
      .prepare<[string], InvitationRow>(
        'select * from invitations where used_at is null and withdrawn_at is null and until > ? order by made_at desc',
      )
      .all(this.at())
      .map(({ token_hash, name, role, until, person_id }) => ({
        id: token_hash.slice(0, 16),
        name,
        role,
        until,
        again: person_id !== null,
      }));
  }

  /** Changes what somebody is; one owner stays. */
  change(id: string, { role, everywhere }: { role: Role; everywhere: boolean }): Person {
    return this.db
      .transaction(() => {
        const person = this.known(id);
        if (role !== 'owner') this.refuseLastOwner(person);
        this.db.prepare('update people set role = ?, everywhere = ? where id = ?').run(role, everywhere ? 1 : 0, id);
        return { ...person, role, everywhere };
      })
      .immediate();
  }

  /** Lets somebody in no more. Their devices are shut out by whoever calls. */
  end(id: string): Person {
    return this.db
      .transaction(() => {
        const person = this.known(id);
        this.refuseLastOwner(person);
        this.withdrawals.add(hashOf(id));
        this.db.prepare('update people set withdrawn_at = ?, password = null where id = ?').run(this.at(), id);
        this.db.prepare('delete from passkeys where person_id = ?').run(id);
        this.db.prepare('delete from recovery_codes where person_id = ?').run(id);
        return person;
      })
      .immediate();
  }

  private known(id: string): Person {
    const person = this.find(id);
    if (!person) throw new ProblemError(404, 'There is nobody of that name here any more.');
    return person;
  }

  private refuseLastOwner({ id, role }: Person): void {
    const others = this.all().filter((each) => each.role === 'owner' && each.id !== id);
    if (role === 'owner' && others.length === 0)
      throw new ProblemError(422, 'One owner stays. Make somebody else an owner first.');
  }

  /** Says which jobs are given to somebody. */
  give(id: string, jobs: readonly { job: string; role: Role | null }[]): Person {
    return this.db
      .transaction(() => {
        const person = this.known(id);
        const before = new Map(this.given(id).map((each) => [each.job, each]));
        this.db
          .prepare('delete from given_jobs where person_id = ? and job_id not in (select value from json_each(?))')
          .run(id, JSON.stringify(jobs.map(({ job }) => job)));
        // The days that somebody is there stay as they are.
        const put = this.db.prepare(
          `insert into given_jobs (person_id, job_id, role, given_at) select ?, id, ?, ? from jobs where id = ?
           on conflict (person_id, job_id) do update set role = excluded.role`,
        );
        for (const { job, role } of jobs) {
          const done = put.run(id, role, this.at(), job);
          if (done.changes === 0 && !before.has(job)) throw new ProblemError(404, 'There is no such job here.');
        }
        return person;
      })
      .immediate();
  }

  /** Gives somebody one more job. */
  giveOne(id: string, job: string): void {
    this.db
      .prepare('insert into given_jobs (person_id, job_id, given_at) values (?, ?, ?) on conflict do nothing')
      .run(id, job, this.at());
  }

  /** What somebody may at each job that is given to them with a role of its own; null where every job is theirs. */
  reach({ id, role, everywhere }: Person): Reach {
    const given = this.given(id);
    const rights = rightsOf(role);
    const roles = new Map(given.flatMap((each) => (each.role ? [[each.job, each.role] as const] : [])));
    return { jobs: everywhere ? null : new Set(given.map(({ job }) => job)), rights, roles };
  }
}

/** What somebody may, and where: `jobs` null for all of them; `roles` narrow what they may at some. */
export interface Reach {
  jobs: ReadonlySet<string> | null;
  rights: ReadonlySet<Right>;
  roles: ReadonlyMap<string, Role>;
}
