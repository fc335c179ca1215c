/** People: who one is oneself, and, for an owner, who is here, who is invited, and what was done. */
import {
  givenBodySchema,
  inviteBodySchema,
  passwordBodySchema,
  personBodySchema,
  ROLE_WORDS,
  type Me,
  type People,
} from '@katabasis/core';
import Router from '@koa/router';
import type { Context } from 'koa';
import { z } from 'zod';
import { COOKIE } from '../admission/admission';
import { askerOf, ownPerson } from '../admission/asker';
import { rightsAt } from '../admission/rules';
import { fromOf } from '../http/cameFrom';
import { LOOPBACK, nameOf } from '../http/guard';
import { numberIn } from '../http/numberIn';
import { parseOr422, ProblemError } from '../http/problem';
import type { OwnData } from './ownData';
import type { Passkeys } from './passkeys';
import { fits, hashOfPassword } from './passwords';
import type { Newsroom } from '../events/newsroom';
import type { JobStore } from '../jobs/store';
import type { Trail } from './audit';
import type { HandedStore } from './handed';
import type { ComingIn } from './signIn';

export interface PeopleParts extends ComingIn {
  passkeys: Passkeys;
  ownData: OwnData;
  /** Where other devices reach this server. */
  addresses: () => string[];
  /** Told of each device that is shut out. */
  onWithdrawn: (device: string) => void;
}

export interface HandedParts {
  handed: HandedStore;
  store: JobStore;
  news: Newsroom;
  trail: Trail;
}

const beforeQuery = z.strictObject({ before: z.coerce.number().int().min(1).optional() });

/** What one is oneself, and one's own ways in. */
export function meRoutes({ people, devices, trail, codes, passkeys, ownData, onWithdrawn }: PeopleParts): Router {
  const router = new Router({ prefix: '/api/me' });
  router.get('/', (ctx) => {
    const asker = askerOf(ctx);
    const { person, local, rights, roles } = asker;
    ctx.body = {
      person: person && { id: person.id, name: person.name, role: person.role },
      local,
      rights: [...rights],
      narrower: Object.fromEntries([...roles.keys()].map((job) => [job, [...(rightsAt(asker, job) ?? [])]])),
      password: typeof person?.password === 'string',
      codes: person ? codes.left(person.id) : 0,
      passkeys: person ? passkeys.of(person.id) : [],
    } satisfies Me;
  });

  router.put('/password', async (ctx) => {
    const person = ownPerson(ctx);
    const { old, password } = parseOr422(passwordBodySchema, ctx.request.body);
    if (!(await fits(person.password, old))) throw new ProblemError(403, 'That is not the password so far.');
    people.setPassword(person.id, await hashOfPassword(password));
    trail.by(ctx, 'set another password');
    ctx.status = 204;
  });

  router.post('/codes', (ctx) => {
    const renewed = codes.renew(ownPerson(ctx).id);
    trail.by(ctx, 'made new recovery codes');
    ctx.body = { codes: renewed };
  });

  router.get('/kept', (ctx) => {
    ctx.body = ownData.of(ownPerson(ctx).id);
  });

  router.post('/sign-out', (ctx) => {
    const { device } = askerOf(ctx);
    if (device) {
      devices.withdraw(device.id);
      onWithdrawn(device.id);
      trail.by(ctx, 'signed out');
    }
    ctx.cookies.set(COOKIE, null);
    ctx.status = 204;
  });
  return router;
}

export function peopleRoutes({ people, devices, trail, ownData, addresses, onWithdrawn }: PeopleParts): Router {
  const router = new Router({ prefix: '/api/people' });
  /** Behind a #: no server on the way writes it down. Made on the server's own machine it leads to where others reach that. */
  const linkOf = (ctx: Context, token: string): string => {
    const [first = ''] = LOOPBACK.includes(nameOf(fromOf(ctx).host)) ? addresses() : [];
    return `${first}/join#${token}`;
  };

  router.get('/', (ctx) => {
    const { person: own, device } = askerOf(ctx);
    const all = devices.list();
    ctx.body = {
      people: people.all().map(({ id, name, role, everywhere }) => ({
        id,
        name,
        role,
        everywhere,
        own: id === own?.id,
        jobs: people.given(id).map(({ job, name: called, role: narrowed }) => ({
          job,
          name: called ?? job,
          role: narrowed,
        })),
        devices: all
          .filter((each) => each.person === id)
          .map((each) => ({ id: each.id, name: each.name, seenAt: each.seenAt, own: each.id === device?.id })),
      })),
      left: ownData.left(),
      nobodys: all.filter((each) => each.person === null).length,
      invitations: people.invitations(),
    } satisfies People;
  });

  router.post('/invitations', (ctx) => {
    const asked = parseOr422(inviteBodySchema, ctx.request.body);
    const token = people.invite(asked, askerOf(ctx).name);
    trail.by(ctx, `invited ${asked.name} as ${ROLE_WORDS[asked.role].toLowerCase()}`);
    ctx.status = 201;
    ctx.body = { link: linkOf(ctx, token) };
  });

  router.delete('/invitations/:id', (ctx) => {
    trail.by(ctx, `took back the invitation of ${people.withdrawInvitation(ctx.params.id!)}`);
    ctx.status = 204;
  });

  // For who has lost every way in.
  router.post('/:id/way-in', (ctx) => {
    const person = people.find(ctx.params.id!);
    if (!person) throw new ProblemError(404, 'There is nobody of that name here any more.');
    const token = people.invite({ ...person, days: 1 }, askerOf(ctx).name, person.id);
    trail.by(ctx, `made ${person.name} a new way in`);
    ctx.status = 201;
    ctx.body = { link: linkOf(ctx, token) };
  });

  router.put('/:id', (ctx) => {
    const next = parseOr422(personBodySchema, ctx.request.body);
    const { id, name } = people.change(ctx.params.id!, next);
    // What they listen to is chosen anew.
    for (const device of devices.ofPerson(id)) onWithdrawn(device);
    const where = next.everywhere ? 'every job' : 'the jobs given to them';
    trail.by(ctx, `made ${name} ${ROLE_WORDS[next.role].toLowerCase()} at ${where}`);
    ctx.status = 204;
  });

  router.put('/:id/jobs', (ctx) => {
    const { jobs } = parseOr422(givenBodySchema, ctx.request.body);
    const { id, name } = people.give(ctx.params.id!, jobs);
    for (const device of devices.ofPerson(id)) onWithdrawn(device);
    trail.by(ctx, `gave ${name} ${jobs.length === 1 ? 'one job' : `${jobs.length} jobs`}`);
    ctx.status = 204;
  });

  router.delete('/:id', (ctx) => {
    const mine = devices.ofPerson(ctx.params.id!);
    const { name } = people.end(ctx.params.id!);
    for (const device of mine) {
      devices.withdraw(device);
      onWithdrawn(device);
    }
    trail.by(ctx, `let ${name} in no more`);
    ctx.status = 204;
  });
  return router;
}

/** What is kept of somebody, and that they are forgotten. */
export function keptRoutes({ ownData, trail }: Pick<PeopleParts, 'ownData' | 'trail'>): Router {
  const router = new Router({ prefix: '/api/people' });
  router.get('/:id/kept', (ctx) => {
    ctx.body = ownData.of(ctx.params.id!);
  });

  // The trail keeps who forgot somebody, and not whom.
  router.post('/:id/forget', (ctx) => {
    ownData.forget(ctx.params.id!);
    trail.by(ctx, 'forgot somebody who had left');
    ctx.status = 204;
  });
  return router;
}

export function auditRoutes({ trail }: Pick<PeopleParts, 'trail'>): Router {
  const router = new Router({ prefix: '/api/audit' });
  router.get('/', (ctx) => {
    const { before = Number.MAX_SAFE_INTEGER } = parseOr422(beforeQuery, { ...ctx.query });
    ctx.body = trail.before(before);
  });
  return router;
}

/** What was written by who may not make it: put in by who may, or let be. */
export function handedRoutes({ handed, store, news, trail }: HandedParts): Router {
  const router = new Router({ prefix: '/api/handed' });
  router.get('/', (ctx) => {
    const asker = askerOf(ctx);
    ctx.body = { changes: handed.waiting().changes.filter(({ job }) => rightsAt(asker, job)?.has('plan')) };
  });
  router.post('/:number/put-in', (ctx) => {
    const { job, body, by } = handed.find(numberIn(ctx.params.number!));
    const asker = askerOf(ctx);
    const rights = rightsAt(asker, job);
    if (!rights?.has('plan')) throw new ProblemError(404, 'That was settled already.');
    // It was made on what the job was then, in whatever life of the database: what differs since is told as a conflict.
    const { epoch: _epoch, ...made } = body;
    const reply = store.change(job, made, `${by}, by ${asker.name}`.slice(0, 60), rights);
    handed.settle(numberIn(ctx.params.number!));
    news.tell({ news: 'changed', job, seq: reply.seq, change: body.change });
    trail.by(ctx, `put in what ${by} wrote: ${body.label}`);
    ctx.status = 204;
  });
  router.delete('/:number', (ctx) => {
    const { job, body, by } = handed.find(numberIn(ctx.params.number!));
    const asker = askerOf(ctx);
    if (!rightsAt(asker, job)?.has('plan')) throw new ProblemError(404, 'That was settled already.');
    handed.settle(numberIn(ctx.params.number!));
    trail.by(ctx, `let be what ${by} wrote: ${body.label}`);
    ctx.status = 204;
  });
  return router;
}
