/** The server's door: typed requests, answers checked by the schemas that both sides share. */
import {
  changeReplySchema,
  jobListSchema,
  jobReplySchema,
  problemSchema,
  stationListSchema,
  type ChangeBody,
  type ChangeReply,
  type Element,
  type JobReply,
  type JobRow,
  type Problem,
  type RainStation,
} from '@katabasis/core';
import type { z } from 'zod';

/** The server answered, and said no. */
export class Refused extends Error {
  readonly problem: Problem;

  constructor(problem: Problem) {
    super([problem.title, ...(problem.faults ?? []).map((fault) => `${fault.path} ${fault.sentence}.`)].join(' '));
    this.problem = problem;
  }
}

/** Nobody answered, or only something in between; asking again later may help. */
export class Unreachable extends Error {}

/** A yard's signal can be slow; a job is small. */
const PATIENCE_MS = 20_000;

/** What is sent along: a file as it is, anything else as JSON. */
function bodyOf(body: unknown): Pick<RequestInit, 'body' | 'headers'> {
  if (body === undefined) return {};
  if (body instanceof Blob) return { body, headers: { 'Content-Type': body.type || 'application/octet-stream' } };
  return { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } };
}

async function ask(method: string, path: string, body?: unknown): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      signal: AbortSignal.timeout(PATIENCE_MS),
      ...bodyOf(body),
    });
  } catch {
    throw new Unreachable('The server is out of reach.');
  }
  if (response.ok) return response;
  const problem = problemSchema.safeParse(await response.json().catch(() => null));
  if (!problem.success || response.status >= 500) throw new Unreachable('The server could not answer.');
  throw new Refused(problem.data);
}

async function read<T>(schema: z.ZodType<T>, asked: Promise<Response>): Promise<T> {
  const response = await asked;
  const parsed = schema.safeParse(await response.json().catch(() => null));
  if (!parsed.success) throw new Unreachable('The server answered in a way that this version cannot read.');
  return parsed.data;
}

export const api = {
  jobs: async (): Promise<JobRow[]> => (await read(jobListSchema, ask('GET', '/jobs'))).jobs,
  job: (id: string): Promise<JobReply> => read(jobReplySchema, ask('GET', `/jobs/${id}`)),
  create: (id: string, elements: readonly Element[]): Promise<JobReply> =>
    read(jobReplySchema, ask('POST', '/jobs', { id, elements })),
  change: (id: string, body: ChangeBody): Promise<ChangeReply> =>
    read(changeReplySchema, ask('POST', `/jobs/${id}/changes`, body)),
  remove: async (id: string): Promise<void> => void (await ask('DELETE', `/jobs/${id}`)),
  restore: async (id: string): Promise<void> => void (await ask('POST', `/jobs/${id}/restore`)),
  file: async (hash: string): Promise<Blob> => (await ask('GET', `/files/${hash}`)).blob(),
  putFile: async (hash: string, blob: Blob): Promise<void> => void (await ask('PUT', `/files/${hash}`, blob)),
  stations: async (): Promise<RainStation[]> => (await read(stationListSchema, ask('GET', '/rain/stations'))).stations,
};
export type Api = Pick<typeof api, 'create' | 'change'>;
