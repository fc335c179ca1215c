/**
 * What each door of the API needs: one line a route. A route without a line is shut to everybody, and a test holds the list against the
 * routers themselves.
 */
import { narrower, rightsOf, type Right } from '@katabasis/core';
import type { Context, Middleware } from 'koa';
import { ProblemError } from '../http/problem';
import { askerOf, type Asker } from './asker';

/** `open`: to all who reach the server. `any`: to all who were let in. Else to who has one of these rights. */
type Needs = 'open' | 'any' | readonly Right[];
export interface Rule {
  method: string;
  path: string;
  needs: Needs;
  /** Whether its `:id` is a job, at which somebody may have less. */
  job: boolean;
}

const LOOK: Needs = ['look'];
const PLAN: Needs = ['plan'];
const PRICES: Needs = ['prices'];
const WRITE: Needs = ['plan', 'field', 'money'];
const SHARE: Needs = ['share'];
const PEOPLE: Needs = ['people'];

const LINES: readonly (readonly [route: string, needs: Needs])[] = [
  ['GET /api/health', 'open'],
  ['POST /api/here', 'open'],
  ['POST /api/devices/pair', 'open'],
  ['POST /api/sign-in', 'open'],
  ['POST /api/sign-in/passkey', 'open'],
  ['POST /api/sign-in/passkey/options', 'open'],
  ['POST /api/join/look', 'open'],
  ['POST /api/join', 'open'],
  ['GET /api/events', LOOK],
  ['GET /api/me', 'any'],
  ['GET /api/me/kept', 'any'],
  ['PUT /api/me/password', 'any'],
  ['POST /api/me/codes', 'any'],
  ['POST /api/me/sign-out', 'any'],
  ['POST /api/me/passkeys/options', 'any'],
  ['POST /api/me/passkeys', 'any'],
  ['DELETE /api/me/passkeys/:id', 'any'],
  ['GET /api/people', PEOPLE],
  ['POST /api/people/invitations', PEOPLE],
  ['DELETE /api/people/invitations/:id', PEOPLE],
  ['POST /api/people/:id/way-in', PEOPLE],
  ['PUT /api/people/:id', PEOPLE],
  ['PUT /api/people/:id/jobs', PEOPLE],
  ['GET /api/people/:id/kept', PEOPLE],
  ['POST /api/people/:id/forget', PEOPLE],
  ['DELETE /api/people/:id', PEOPLE],
  ['GET /api/audit', PEOPLE],
  ['GET /api/state', PEOPLE],
  ['GET /api/today', LOOK],
  ['GET /api/told', LOOK],
  ['POST /api/told/read', LOOK],
  ['GET /api/handed', PLAN],
  ['POST /api/handed/:number/put-in', PLAN],
  ['DELETE /api/handed/:number', PLAN],
  ['GET /api/devices', 'any'],
  ['DELETE /api/devices/:id', 'any'],
  ['GET /api/jobs', LOOK],
  ['POST /api/jobs', PLAN],
  ['GET /api/jobs/rounds', LOOK],
  ['GET /api/jobs/ledger', PRICES],
  ['GET /api/jobs/jars', LOOK],
  ['GET /api/jobs/bin', PLAN],
  ['GET /api/jobs/:id', LOOK],
  ['GET /api/jobs/:id/beside', LOOK],
  ['GET /api/jobs/:id/raw', PLAN],
  ['POST /api/jobs/:id/changes', WRITE],
  ['GET /api/jobs/:id/history', LOOK],
  ['POST /api/jobs/:id/copies', PLAN],
  ['DELETE /api/jobs/:id', PLAN],
  ['POST /api/jobs/:id/restore', PLAN],
  ['GET /api/jobs/:id/crew', LOOK],
  ['PUT /api/jobs/:id/crew/:person', PLAN],
  ['DELETE /api/jobs/:id/crew/:person', PLAN],
  ['POST /api/jobs/:id/here', LOOK],
  ['DELETE /api/jobs/:id/here', LOOK],
  ['GET /api/jobs/:id/accepted', SHARE],
  ['PUT /api/jobs/:id/accepted/comments/:number', SHARE],
  ['GET /api/jobs/:id/shares', SHARE],
  ['POST /api/jobs/:id/shares', SHARE],
  ['DELETE /api/jobs/:id/shares/:share', SHARE],
  ['GET /api/years/:file', PRICES],
  ['GET /api/books', PRICES],
  ['POST /api/books', ['company']],
  ['DELETE /api/books/:id', ['company']],
  ['GET /api/company', LOOK],
  ['PUT /api/company', ['company']],
  ['GET /api/rain/stations', LOOK],
  ['GET /api/weather', LOOK],
  ['POST /api/locate', WRITE],
  ['GET /api/locate/:ticket', LOOK],
  ['POST /api/sheets/quote.pdf', PRICES],
  ['POST /api/sheets/price.csv', PRICES],
  ['POST /api/sheets/:file', LOOK],
  ['POST /api/files/lacking', LOOK],
  ['PUT /api/files/:hash', WRITE],
  ['GET /api/files/:hash/pieces', WRITE],
  ['PUT /api/files/:hash/pieces', WRITE],
  ['GET /api/files/:hash', LOOK],
];

export const RULES: readonly Rule[] = LINES.map(([route, needs]) => {
  const [method, path] = route.split(' ') as [string, string];
  return { method, path, needs, job: path.startsWith('/api/jobs/:id') };
});

const segmentsOf = (path: string): string[] => path.replace(/\/+$/, '').split('/');
const PATHS = RULES.map((rule) => ({ rule, segments: segmentsOf(rule.path) }));

/** Rules whose path fits, those of plain words first: paths are ours in any case of letters. */
function fitting(path: string): Rule[] {
  const asked = segmentsOf(path);
  return PATHS.filter(
    ({ segments }) =>
      segments.length === asked.length &&
      segments.every((each, k) => (each.startsWith(':') ? asked[k] !== '' : each === asked[k]!.toLowerCase())),
  ).map(({ rule }) => rule);
}

/** The rule of what is asked; null of what there is none for. What is only looked at in its head is asked as a whole. */
export function ruleOf(method: string, path: string): Rule | null {
  const asked = method === 'HEAD' ? 'GET' : method;
  return fitting(path).find((rule) => rule.method === asked) ?? null;
}

/** What somebody may at a job; none where it is not theirs to see. */
export function rightsAt({ rights, jobs, roles }: Asker, job: string): ReadonlySet<Right> | null {
  if (jobs !== null && !jobs.has(job)) return null;
  const role = roles.get(job);
  return role === undefined ? rights : narrower(rights, rightsOf(role));
}

const ID_AT = segmentsOf('/api/jobs/:id').length - 1;

function rightsFor(asker: Asker, rule: Rule, path: string): ReadonlySet<Right> {
  if (!rule.job) return asker.rights;
  const rights = rightsAt(asker, segmentsOf(path)[ID_AT]!);
  if (!rights) throw new ProblemError(404, 'There is no such job here.');
  return rights;
}

const notYours = (asker: Asker): ProblemError =>
  new ProblemError(
    403,
    asker.person
      ? 'That is not yours to do. Ask an owner of the company.'
      : 'That is done by an owner who is signed in, or on the server’s own machine.',
  );

/** Lets pass what its rule allows to who asks; `ctx.state.rights` is what they may there. */
export const byRule: Middleware = (ctx, next) => {
  const rule = ruleOf(ctx.method, ctx.path);
  if (!rule) {
    const known = fitting(ctx.path).length > 0;
    if (known && ctx.method === 'OPTIONS') return next();
    throw new ProblemError(known ? 405 : 404, known ? 'That cannot be done here.' : 'There is nothing here.');
  }
  if (rule.needs === 'open') return next();
  const asker = askerOf(ctx);
  const rights = rightsFor(asker, rule, ctx.path);
  if (rule.needs !== 'any' && !rule.needs.some((right) => rights.has(right))) throw notYours(asker);
  ctx.state.rights = rights;
  return next();
};

/** What who asks may at what they ask for. */
export const rightsIn = (ctx: Context): ReadonlySet<Right> => ctx.state.rights as ReadonlySet<Right>;
