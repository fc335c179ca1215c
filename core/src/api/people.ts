/** People of the company, who one is, and what was done: what the client and the server say of them to each other. */
import { z } from 'zod';
import { RIGHTS, ROLES } from '../roles/roles';

/** What somebody is called, and signs in by. */
export const personNameSchema = z.string().trim().min(1).max(60);
/** Shorter is guessed, longer is nobody's: NIST SP 800-63B asks for eight, the length alone counts. */
export const LEAST_PASSWORD = 10;
export const passwordSchema = z.string().min(LEAST_PASSWORD).max(200);

const roleSchema = z.enum(ROLES);

/** Who asks, as the server knows them. */
export const meSchema = z.object({
  person: z.object({ id: z.string(), name: z.string(), role: roleSchema }).nullable(),
  /** Whether it is the server's own machine. */
  local: z.boolean(),
  rights: z.array(z.enum(RIGHTS)),
  /** Rights that are narrower at some jobs, by job. */
  narrower: z.record(z.string(), z.array(z.enum(RIGHTS))),
  password: z.boolean(),
  /** Codes that are left for a day without password and passkey. */
  codes: z.number().int(),
  passkeys: z.array(z.object({ id: z.string(), madeAt: z.string(), usedAt: z.string().nullable() })),
});
export type Me = z.infer<typeof meSchema>;

export const signInBodySchema = z.strictObject({
  name: z.string().max(200),
  /** A password, or one of the recovery codes. */
  password: z.string().max(300),
  device: z.string().trim().min(1).max(60),
});

export const inviteBodySchema = z.strictObject({
  name: personNameSchema,
  role: roleSchema,
  everywhere: z.boolean(),
  days: z.number().int().min(1).max(30),
});
/** What an invitation says to who holds it. */
export const invitedSchema = z.object({
  name: z.string(),
  role: roleSchema,
  until: z.string(),
  /** Whether it lets somebody in again who was here before. */
  again: z.boolean(),
});
export type Invited = z.infer<typeof invitedSchema>;
export const invitedBodySchema = z.strictObject({ token: z.string().max(100) });
export const joinBodySchema = z.strictObject({
  token: z.string().max(100),
  password: passwordSchema,
  device: z.string().trim().min(1).max(60),
});
export const codesSchema = z.object({ codes: z.array(z.string()) });

export const passwordBodySchema = z.strictObject({ old: z.string().max(300), password: passwordSchema });

export const personBodySchema = z.strictObject({ role: roleSchema, everywhere: z.boolean() });
/** Jobs given to somebody: each with a role that narrows theirs there, or with none. */
export const givenBodySchema = z.strictObject({
  jobs: z.array(z.strictObject({ job: z.string().max(64), role: roleSchema.nullable() })).max(2000),
});

export const peopleSchema = z.object({
  people: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      role: roleSchema,
      everywhere: z.boolean(),
      own: z.boolean(),
      jobs: z.array(z.object({ job: z.string(), name: z.string(), role: roleSchema.nullable() })),
      devices: z.array(z.object({ id: z.string(), name: z.string(), seenAt: z.string(), own: z.boolean() })),
    }),
  ),
  /** Who has gone and is not forgotten. */
  left: z.array(z.object({ id: z.string(), name: z.string(), leftAt: z.string() })),
  /** Devices that were let in by the code and are nobody's: they may what a planner may. */
  nobodys: z.number().int(),
  invitations: z.array(
    z.object({ id: z.string(), name: z.string(), role: roleSchema, until: z.string(), again: z.boolean() }),
  ),
});
export type People = z.infer<typeof peopleSchema>;

const ofJob = { job: z.string(), at: z.string() };
/** All that is kept of one person, but for how they sign in. */
export const keptOfSchema = z.object({
  id: z.string(),
  name: z.string(),
  role: roleSchema,
  madeAt: z.string(),
  leftAt: z.string().nullable(),
  devices: z.array(
    z.object({
      name: z.string(),
      letInAt: z.string(),
      seenAt: z.string(),
      signedOutAt: z.string().nullable(),
      address: z.string().nullable(),
    }),
  ),
  passkeys: z.array(z.object({ madeAt: z.string(), usedAt: z.string().nullable() })),
  jobs: z.array(z.object({ job: z.string(), from: z.string().nullable(), to: z.string().nullable() })),
  changes: z.array(z.object({ ...ofJob, label: z.string() })),
  handed: z.array(z.object({ ...ofJob, label: z.string() })),
  news: z.array(z.object({ ...ofJob, what: z.string() })),
  trail: z.array(z.object({ at: z.string(), address: z.string(), what: z.string() })),
});
export type KeptOf = z.infer<typeof keptOfSchema>;

export const auditSchema = z.object({
  entries: z.array(
    z.object({ number: z.number().int(), at: z.string(), who: z.string(), address: z.string(), what: z.string() }),
  ),
  next: z.number().int().nullable(),
});
export type Audit = z.infer<typeof auditSchema>;

/** Changes that were written by who may not make them, and wait for who may. */
export const handedSchema = z.object({
  changes: z.array(
    z.object({
      number: z.number().int(),
      job: z.string(),
      name: z.string(),
      label: z.string(),
      at: z.string(),
      by: z.string(),
      /** How many things of the job it puts or takes out. */
      touches: z.number().int(),
    }),
  ),
});
export type Handed = z.infer<typeof handedSchema>;
