import {
  besideQuerySchema,
  changeBodySchema,
  copyBodySchema,
  createBodySchema,
  FILE_FORMAT,
  FILE_VERSION,
  jobIdSchema,
  jobQuerySchema,
  readFile,
  type ChangeBody,
  rightsOf,
  type ChangeReply,
  type Job,
} from '@katabasis/core';
import Router from '@koa/router';
import type { Context } from 'koa';
import { z } from 'zod';
import { askerOf, type Asker } from '../admission/asker';
import { rightsIn } from '../admission/rules';
import type { Trail } from '../people/audit';
import type { HandedStore } from '../people/handed';
import type { PeopleStore } from '../people/store';
import { NOT_HIS } from './changeBody';
import { seenBeside, seenJob, seenRefusal, seenRow, theirs } from './seen';
import type { Newsroom } from '../events/newsroom';
import { noteNews } from '../together/noteNews';
import type { CrewStore } from '../together/crew';
import { toldAs, type ToldStore } from '../together/told';
import { parseOr422, ProblemError } from '../http/problem';
import type { JobStore } from './store';
import type { Summaries } from './summaries';

const HISTORY_PAGE = 100;
/** Of one change: nobody asks more at once, and each is written down for each who is told. */
const MOST_TOLD = 20;
const historyQuery = z.strictObject({ before: z.coerce.number().int().min(1).optional() });

export interface JobParts {
  store: JobStore;
  summaries: Summaries;
  news: Newsroom;
  people: PeopleStore;
  handed: HandedStore;
  trail: Trail;
  crew: CrewStore;
  told: ToldStore;
}

/** Jobs: list, new, read, change, history, copies, the bin. */
/** What the jobs come to together, of those that whoever asks may know of. */
function listsOf(router: Router, { store, summaries }: JobParts): void {
  router.get('/rounds', (ctx) => {
    const { jobs, pending } = summaries.rounds();
    ctx.body = { jobs: jobs.filter(theirs(askerOf(ctx), 'look')), pending };
  });

  router.get('/ledger', (ctx) => {
    const { jobs, pending } = summaries.ledger();
    ctx.body = { jobs: jobs.filter(theirs(askerOf(ctx), 'prices')), pending };
  });

  router.get('/jars', (ctx) => {
    const { tests, pending } = summaries.jars();
    const seen = theirs(askerOf(ctx), 'look');
    ctx.body = { tests: tests.filter(({ job }) => seen({ id: job })), pending };
  });

  router.get('/bin', (ctx) => {
    ctx.body = { jobs: store.bin().jobs.filter(theirs(askerOf(ctx), 'plan')) };
  });
}

/** Tells the office, and whoever the job is given to, of what is asked and answered. */
function tellOfNotes({ told, crew, people }: JobParts, before: Job, body: ChangeBody, by: Asker): void {
  const all = noteNews(before, { puts: body.puts.map(({ element }) => element) }, toldAs(by));
  const sentences = all.slice(0, MOST_TOLD);
  if (sentences.length === 0) return;
  const given = [...crew.of(before.id).keys()].filter((id) => {
    const person = people.find(id);
    return person && !rightsOf(person.role).has('plan');
  });
  for (const what of sentences)
    for (const whom of [{ needs: 'plan' as const }, ...given.map((person) => ({ person }))])
      told.add({ job: before.id, for: whom, what, by });
}

/** Makes a change as who asks may. One that is not theirs to make is kept for who may make it, and they are told. */
function change(ctx: Context, parts: JobParts, id: string, body: ChangeBody): ChangeReply {
  const { store, handed, told } = parts;
  const asker = askerOf(ctx);
  const { name, person } = asker;
  const rights = rightsIn(ctx);
  try {
    const before = store.job(id);
    const reply = store.change(id, body, name, rights);
    // Sent again after a lost answer it changes nothing, and is told once.
    if (store.job(id) !== before) tellOfNotes(parts, before, body, asker);
    return reply;
  } catch (error) {
    const isTheirs = !(error instanceof ProblemError) || error.problem.type !== NOT_HIS;
    if (isTheirs) throw seenRefusal(error, rights);
    const { title, type } = error.problem;
    const kept = handed.keep(id, body, { person: person?.id ?? null, by: name });
    if (kept)
      told.add({
        job: id,
        for: { needs: 'plan' },
        what: `${name} wrote “${body.label}”, which is yours to put in.`,
        by: asker,
      });
    throw new ProblemError(403, kept ? `${title} What you wrote lies with the office.` : title, { type });
  }
}

export function jobRoutes(parts: JobParts): Router {
  const { store, summaries, news, people, trail } = parts;
  const router = new Router({ prefix: '/api/jobs' });
  /** What somebody begins is theirs, where not every job is. */
  const keepTheirs = (ctx: Context, id: string): void => {
    const { person, jobs } = askerOf(ctx);
    if (person && jobs) people.giveOne(person.id, id);
  };
  router.param('id', (id, _ctx, next) => {
    if (!jobIdSchema.safeParse(id).success) throw new ProblemError(404, 'There is no such job here.');
    return next();
  });

  router.get('/', (ctx) => {
    const asker = askerOf(ctx);
    const list = summaries.list(parseOr422(jobQuerySchema, { ...ctx.query }), asker.jobs);
    ctx.body = { ...list, jobs: list.jobs.map((row) => seenRow(row, asker)) };
  });

  router.post('/', (ctx) => {
    const { id, elements } = parseOr422(createBodySchema, ctx.request.body);
    const read = readFile({ format: FILE_FORMAT, version: FILE_VERSION, job: id, elements });
    if (!read.ok) throw new ProblemError(422, 'This job cannot be saved.', { faults: read.faults });
    store.create(read.job);
    keepTheirs(ctx, id);
    news.tell({ news: 'listed' });
    ctx.status = 201;
    ctx.body = store.read(id);
  });

  listsOf(router, parts);

  router.get('/:id', (ctx) => {
    ctx.body = seenJob(store.read(ctx.params.id!), rightsIn(ctx));
  });

  router.get('/:id/beside', (ctx) => {
    const { epoch } = parseOr422(besideQuerySchema, { ...ctx.query });
    ctx.body = seenBeside(store.beside(ctx.params.id!, epoch), rightsIn(ctx));
  });

  router.get('/:id/raw', (ctx) => {
    ctx.body = store.raw(ctx.params.id!);
    ctx.set('Content-Disposition', `attachment; filename="${ctx.params.id!}.rows.json"`);
  });

  router.post('/:id/changes', (ctx) => {
    const id = ctx.params.id!;
    const body = parseOr422(changeBodySchema, ctx.request.body);
    const reply = change(ctx, parts, id, body);
    news.tell({ news: 'changed', job: id, seq: reply.seq, change: body.change });
    ctx.body = reply;
  });

  router.get('/:id/history', (ctx) => {
    const { before = Number.MAX_SAFE_INTEGER } = parseOr422(historyQuery, { ...ctx.query });
    ctx.body = store.history(ctx.params.id!, before, HISTORY_PAGE);
  });

  router.post('/:id/copies', (ctx) => {
    const body = parseOr422(copyBodySchema, ctx.request.body);
    store.copy(ctx.params.id!, body);
    keepTheirs(ctx, body.id);
    news.tell({ news: 'listed' });
    ctx.status = 201;
    ctx.body = store.read(body.id);
  });

  router.delete('/:id', (ctx) => {
    store.remove(ctx.params.id!);
    trail.by(ctx, `took out the job ${ctx.params.id!}`);
    news.tell({ news: 'listed' });
    ctx.status = 204;
  });

  router.post('/:id/restore', (ctx) => {
    store.restore(ctx.params.id!);
    trail.by(ctx, `brought back the job ${ctx.params.id!}`);
    news.tell({ news: 'listed' });
    ctx.status = 204;
  });
  return router;
}
