/** Coming in: by name and password or a recovery code, and by invitation. Guessing is made slow, and keeps nobody out of where they were before. */
import { invitedBodySchema, joinBodySchema, signInBodySchema, type Invited } from '@katabasis/core';
import Router from '@koa/router';
import type { Context } from 'koa';
import { COOKIE, setCookie } from '../admission/admission';
import type { DeviceStore } from '../devices/store';
import { fromOf } from '../http/cameFrom';
import { askerAt, Limit } from '../http/limits';
import { parseOr422, ProblemError } from '../http/problem';
import type { Trail } from './audit';
import { fits, hashOfPassword } from './passwords';
import type { RecoveryCodes } from './recoveryCodes';
import type { PeopleStore, Person } from './store';

const QUARTER = 900;
/** Wrong ones let pass in a quarter of an hour: of one name from one address, from one address, and of one name from anywhere. */
const OF_NAME_HERE = 10;
const FROM_ADDRESS = 30;
const OF_NAME = 60;
/** Invitations looked up in vain from one address. */
const GUESSED = { points: 20, seconds: QUARTER };

const WRONG = 'That is not the name and password of anybody here.';

export interface ComingIn {
  people: PeopleStore;
  devices: DeviceStore;
  trail: Trail;
  codes: RecoveryCodes;
}

/** Lets somebody's device in, and has its browser keep that. */
export function letIn(ctx: Context, { devices, trail }: ComingIn, person: Person, device: string, how: string): void {
  const { address } = fromOf(ctx);
  const { token } = devices.admit(device, { person: person.id, address: askerAt(address) });
  setCookie(ctx, COOKIE, token);
  trail.add({ who: person.name, address, what: `${how}, on ${device}` });
}

/** Slows guessing of what only somebody knows. */
class Guard {
  private readonly here = new Limit({ points: OF_NAME_HERE, seconds: QUARTER }, 'Too many wrong passwords.');
  private readonly address = new Limit(
    { points: FROM_ADDRESS, seconds: QUARTER },
    'Too many wrong passwords from where you are.',
  );
  private readonly name = new Limit(
    { points: OF_NAME, seconds: QUARTER },
    'Too many wrong passwords of that name were tried from elsewhere. Where you signed in before it goes on.',
  );

  /**
   * Counts a try as wrong before it is looked at, so that many at once are counted too; throws while too much was. Gives what takes that
   * back where it was right. `known`: the name came in from this address before, and others' guessing does not count.
   */
  async begin(name: string, at: string, known: boolean): Promise<() => Promise<void>> {
    const taken: [Limit, string][] = [[this.here, `${at} ${name}`]];
    if (!known) taken.push([this.address, at], [this.name, name]);
    for (const [limit, key] of taken) await limit.take(key);
    return async () => {
      for (const [limit, key] of taken) await limit.giveBack(key);
    };
  }
}

export function signInRoutes(parts: ComingIn): Router {
  const { people, devices, trail, codes } = parts;
  const router = new Router({ prefix: '/api' });
  const guard = new Guard();
  const guessing = new Limit(GUESSED, 'Too many invitations were asked for that nobody made.');

  router.post('/sign-in', async (ctx) => {
    const { name, password, device } = parseOr422(signInBodySchema, ctx.request.body);
    const at = askerAt(fromOf(ctx).address);
    const person = people.byName(name);
    const key = person?.id ?? name.trim().toLowerCase();
    const right = await guard.begin(key, at, person !== null && devices.cameFrom(person.id, at));
    const byPassword = await fits(person?.password ?? null, password);
    const byCode = !byPassword && person !== null && codes.take(person.id, password);
    if (!person || !(byPassword || byCode)) {
      trail.add({ who: person?.name ?? 'nobody known', address: fromOf(ctx).address, what: 'a wrong password' });
      throw new ProblemError(403, WRONG);
    }
    await right();
    letIn(ctx, parts, person, device, byCode ? 'came in by a recovery code' : 'signed in');
    ctx.status = 204;
  });

  const asInvited = async (ctx: Context, token: string): Promise<ReturnType<PeopleStore['invited']>> => {
    const at = askerAt(fromOf(ctx).address);
    await guessing.check(at);
    try {
      return people.invited(token);
    } catch (error) {
      if (error instanceof ProblemError && error.problem.status === 404) await guessing.take(at);
      throw error;
    }
  };

  router.post('/join/look', async (ctx) => {
    const { token } = parseOr422(invitedBodySchema, ctx.request.body);
    const { name, role, until, again } = await asInvited(ctx, token);
    ctx.body = { name, role, until, again } satisfies Invited;
  });

  router.post('/join', async (ctx) => {
    const { token, password, device } = parseOr422(joinBodySchema, ctx.request.body);
    await asInvited(ctx, token);
    const person = people.join(token, await hashOfPassword(password));
    letIn(ctx, parts, person, device, 'came in by an invitation');
    ctx.status = 201;
    ctx.body = { codes: codes.renew(person.id) };
  });
  return router;
}
