/**
 * Passkeys (WebAuthn level 2): a key that a phone or a computer keeps, and shows by a finger or a face. What is kept here is its public
 * half. A challenge is good once, and for five minutes.
 */
import type { Me } from '@katabasis/core';
import Router from '@koa/router';
import type {
  AuthenticationResponseJSON,
  AuthenticatorTransport,
  RegistrationResponseJSON,
} from '@simplewebauthn/server';
import type { Context } from 'koa';
import { z } from 'zod';
import { ownPerson } from '../admission/asker';
import type { Db } from '../database';
import { fromOf } from '../http/cameFrom';
import { nameOf } from '../http/guard';
import { askerAt, Limit } from '../http/limits';
import { parseOr422, ProblemError } from '../http/problem';
import { letIn, type ComingIn } from './signIn';

/** Loaded when a passkey is first asked for: with it the server took 1.5 s to start, without 0.8. */
const webauthn = () => import('@simplewebauthn/server');

const GOOD_MS = 5 * 60_000;
/** Challenges that wait at once: beyond these the oldest is let go. */
const MOST = 5_000;
const MOST_KEYS = 10;
const TRIED = { points: 60, seconds: 900 };

interface Row {
  id: string;
  person_id: string;
  public_key: Buffer;
  counter: number;
  transports: string;
  made_at: string;
  used_at: string | null;
}

/** Challenges that were given out, each to be answered once. */
class Challenges {
  private readonly given = new Map<string, { until: number; person: string | null }>();

  give(challenge: string, person: string | null): void {
    this.given.set(challenge, { until: Date.now() + GOOD_MS, person });
    for (const oldest of this.given.keys()) {
      if (this.given.size <= MOST) break;
      this.given.delete(oldest);
    }
  }

  /** Takes one; false where it was not given to that person, was answered already, or has run out. */
  take(challenge: string, person: string | null): boolean {
    const found = this.given.get(challenge);
    this.given.delete(challenge);
    return found !== undefined && found.until >= Date.now() && found.person === person;
  }
}

export class Passkeys {
  constructor(private readonly db: Db) {}

  of(person: string): Me['passkeys'] {
    return this.rows(person).map(({ id, made_at: madeAt, used_at: usedAt }) => ({ id, madeAt, usedAt }));
  }

  rows(person: string): Row[] {
    return this.db.prepare<[string], Row>('select * from passkeys where person_id = ? order by made_at').all(person);
  }

  find(id: string): Row | undefined {
    return this.db.prepare<[string], Row>('select * from passkeys where id = ?').get(id);
  }

  put(
    person: string,
    key: { id: string; publicKey: Uint8Array; counter: number; transports: readonly string[] },
  ): void {
    this.db
      .prepare(
        'insert into passkeys (id, person_id, public_key, counter, transports, made_at) values (?, ?, ?, ?, ?, ?)',
      )
      .run(
        key.id,
        person,
        Buffer.from(key.publicKey),
        key.counter,
        JSON.stringify(key.transports),
        new Date().toISOString(),
      );
  }

  used(id: string, counter: number): void {
    this.db
      .prepare('update passkeys set counter = ?, used_at = ? where id = ?')
      .run(counter, new Date().toISOString(), id);
  }

  remove(person: string, id: string): boolean {
    return this.db.prepare('delete from passkeys where id = ? and person_id = ?').run(id, person).changes > 0;
  }
}

/** Looked at by the library; here only that it is of that shape. */
const answerSchema = z.looseObject({
  id: z.string().max(1000),
  rawId: z.string().max(1000),
  type: z.literal('public-key'),
  response: z.looseObject({}),
  clientExtensionResults: z.looseObject({}),
});
const signedSchema = z.strictObject({ answer: answerSchema, device: z.string().trim().min(1).max(60) });
const madeSchema = z.strictObject({ answer: answerSchema });

/** Where the page is, as its browser says in what it signs. */
function placeOf(ctx: Context): { expectedOrigin: string; expectedRPID: string } {
  const { protocol, host } = fromOf(ctx);
  return { expectedOrigin: `${protocol}://${host}`, expectedRPID: nameOf(host) };
}

const NOT_GOOD = 'That passkey is not known here.';
const transportsOf = (row: Row): AuthenticatorTransport[] => JSON.parse(row.transports) as AuthenticatorTransport[];

interface Parts extends ComingIn {
  passkeys: Passkeys;
}

export function passkeyRoutes(parts: Parts): Router {
  const router = new Router({ prefix: '/api' });
  const challenges = new Challenges();
  ownPasskeys(router, parts, challenges);
  signInByPasskey(router, parts, challenges);
  return router;
}

/** Made and taken out by whom they are of. */
function ownPasskeys(router: Router, { passkeys, trail }: Parts, challenges: Challenges): void {
  router.post('/me/passkeys/options', async (ctx) => {
    const person = ownPerson(ctx);
    const known = passkeys.rows(person.id);
    if (known.length >= MOST_KEYS) throw new ProblemError(422, `At most ${MOST_KEYS} passkeys; take one out first.`);
    const { generateRegistrationOptions } = await webauthn();
    const options = await generateRegistrationOptions({
      rpName: 'Katabasis',
      rpID: placeOf(ctx).expectedRPID,
      userName: person.name,
      userID: new TextEncoder().encode(person.id),
      attestationType: 'none',
      excludeCredentials: known.map((row) => ({ id: row.id, transports: transportsOf(row) })),
      authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
    });
    challenges.give(options.challenge, person.id);
    ctx.body = options;
  });

  router.post('/me/passkeys', async (ctx) => {
    const person = ownPerson(ctx);
    const { answer } = parseOr422(madeSchema, ctx.request.body);
    const { verifyRegistrationResponse } = await webauthn();
    const made = await verified(() =>
      verifyRegistrationResponse({
        response: answer as unknown as RegistrationResponseJSON,
        expectedChallenge: (challenge) => challenges.take(challenge, person.id),
        ...placeOf(ctx),
      }),
    );
    if (!made?.verified || passkeys.find(made.registrationInfo.credential.id))
      throw new ProblemError(422, 'That passkey was not made for here. Try once more.');
    const { credential } = made.registrationInfo;
    passkeys.put(person.id, { ...credential, transports: credential.transports ?? [] });
    trail.by(ctx, 'made a passkey');
    ctx.status = 204;
  });

  router.delete('/me/passkeys/:id', (ctx) => {
    const person = ownPerson(ctx);
    if (!passkeys.remove(person.id, ctx.params.id!)) throw new ProblemError(404, 'There is no such passkey.');
    trail.by(ctx, 'took a passkey out');
    ctx.status = 204;
  });
}

/** Shown by whoever comes in. */
function signInByPasskey(router: Router, parts: Parts, challenges: Challenges): void {
  const { passkeys, people } = parts;
  const trying = new Limit(TRIED, 'Passkeys were tried very often from where you are.');

  router.post('/sign-in/passkey/options', async (ctx) => {
    await trying.take(askerAt(fromOf(ctx).address));
    const { generateAuthenticationOptions } = await webauthn();
    const options = await generateAuthenticationOptions({
      rpID: placeOf(ctx).expectedRPID,
      userVerification: 'required',
    });
    challenges.give(options.challenge, null);
    ctx.body = options;
  });

  router.post('/sign-in/passkey', async (ctx) => {
    await trying.take(askerAt(fromOf(ctx).address));
    const { answer, device } = parseOr422(signedSchema, ctx.request.body);
    const row = passkeys.find(answer.id);
    const person = row && people.find(row.person_id);
    if (!row || !person) throw new ProblemError(403, NOT_GOOD);
    const { verifyAuthenticationResponse } = await webauthn();
    const signed = await verified(() =>
      verifyAuthenticationResponse({
        response: answer as unknown as AuthenticationResponseJSON,
        expectedChallenge: (challenge) => challenges.take(challenge, null),
        ...placeOf(ctx),
        credential: {
          id: row.id,
          publicKey: new Uint8Array(row.public_key),
          counter: row.counter,
          transports: transportsOf(row),
        },
      }),
    );
    if (!signed?.verified) throw new ProblemError(403, NOT_GOOD);
    passkeys.used(row.id, signed.authenticationInfo.newCounter);
    letIn(ctx, parts, person, device, 'signed in by a passkey');
    ctx.status = 204;
  });
}

/** What a check comes to; null where it throws, as it does at whatever was not signed for here. */
const verified = <T>(check: () => Promise<T>): Promise<T | null> => check().catch(() => null);
