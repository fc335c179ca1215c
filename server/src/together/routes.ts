/** Doors of working together: who is at a job, who has it open, mine today, and news. */
import { crewBodySchema, readBodySchema, todayQuerySchema, type Crew, type Right, type Today } from '@katabasis/core';
import Router from '@koa/router';
import type { Context } from 'koa';
import { askerOf } from '../admission/asker';
import { rightsAt, rightsIn } from '../admission/rules';
import type { DeviceStore } from '../devices/store';
import type { Newsroom } from '../events/newsroom';
import { parseOr422, ProblemError } from '../http/problem';
import type { JobStore } from '../jobs/store';
import type { Trail } from '../people/audit';
import type { PeopleStore, Person } from '../people/store';
import type { CrewStore } from './crew';
import { Here } from './here';
import { toldAs, type ToldStore } from './told';

export interface TogetherParts {
  people: PeopleStore;
  store: JobStore;
  crew: CrewStore;
  told: ToldStore;
  trail: Trail;
  news: Newsroom;
  devices: DeviceStore;
}

const sayDay = (day: string): string =>
  new Date(day).toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' });
const sayDays = ({ from, to }: { from: string | null; to: string | null }): string =>
  from === null || to === null ? '' : from === to ? ` on ${sayDay(from)}` : ` from ${sayDay(from)} to ${sayDay(to)}`;

function crewRoutes(parts: TogetherParts): Router {
  const { people, devices, store, crew, told, trail, news } = parts;
  const here = new Here();
  /** What they listen to is chosen anew. */
  const moved = (person: string): void => {
    for (const device of devices.ofPerson(person)) news.shutOut(device);
  };
  const router = new Router({ prefix: '/api/jobs/:id' });
  const known = (ctx: Context): Person => {
    const person = people.find(ctx.params.person!);
    if (!person) throw new ProblemError(404, 'There is nobody of that name here any more.');
    return person;
  };

  router.get('/crew', (ctx) => {
    const job = ctx.params.id!;
    store.seqOf(job);
    const given = crew.of(job);
    const all = rightsIn(ctx).has('plan');
    ctx.body = {
      people: people
        .all()
        .filter(({ id }) => all || given.has(id))
        .map(({ id, name, role }) => ({
          id,
          name,
          role,
          own: id === askerOf(ctx).person?.id,
          given: given.get(id) ?? null,
        })),
    } satisfies Crew;
  });

  router.put('/crew/:person', (ctx) => {
    const job = ctx.params.id!;
    store.seqOf(job);
    const { id, name, everywhere } = known(ctx);
    const days = parseOr422(crewBodySchema, ctx.request.body);
    const sawIt = everywhere || crew.of(job).has(id);
    crew.give(job, id, days);
    const by = askerOf(ctx);
    told.add({ job, for: { person: id }, what: `${toldAs(by)} gave you this job${sayDays(days)}.`, by, sort: 'days' });
    trail.by(ctx, `gave ${name} the job ${job}${sayDays(days)}`);
    if (!sawIt) moved(id);
    news.tell({ news: 'listed' });
    ctx.status = 204;
  });

  router.delete('/crew/:person', (ctx) => {
    const { id, name } = known(ctx);
    if (crew.takeAway(ctx.params.id!, id)) {
      trail.by(ctx, `took the job ${ctx.params.id!} from ${name}`);
      moved(id);
      news.tell({ news: 'listed' });
    }
    ctx.status = 204;
  });

  router.post('/here', (ctx) => {
    store.seqOf(ctx.params.id!);
    const { device, name } = askerOf(ctx);
    ctx.body = { others: here.at(ctx.params.id!, device?.id ?? '', name) };
  });

  router.delete('/here', (ctx) => {
    here.left(ctx.params.id!, askerOf(ctx).device?.id ?? '');
    ctx.status = 204;
  });
  return router;
}

function todayRoutes({ crew, told }: Pick<TogetherParts, 'crew' | 'told'>): Router {
  const router = new Router({ prefix: '/api' });
  router.get('/today', (ctx) => {
    const asker = askerOf(ctx);
    const { on } = parseOr422(todayQuerySchema, { ...ctx.query });
    ctx.body = {
      jobs: crew
        .from(on, asker.person?.id ?? null)
        .filter(({ job }) => rightsAt(asker, job)?.has('look' satisfies Right)),
      fresh: told.of(asker).filter(({ fresh }) => fresh).length,
    } satisfies Today;
  });

  router.get('/told', (ctx) => {
    ctx.body = { told: told.of(askerOf(ctx)) };
  });

  router.post('/told/read', (ctx) => {
    told.read(askerOf(ctx), parseOr422(readBodySchema, ctx.request.body).number);
    ctx.status = 204;
  });
  return router;
}

export const togetherDoors = (parts: TogetherParts): Router[] => [crewRoutes(parts), todayRoutes(parts)];
