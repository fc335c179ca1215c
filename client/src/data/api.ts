/** The server's door: typed requests, answers checked by the schemas that both sides share. */
import {
  binSchema,
  changeReplySchema,
  devicesSchema,
  historySchema,
  jobListSchema,
  jobReplySchema,
  problemSchema,
  stationListSchema,
  type Bin,
  type ChangeBody,
  type ChangeReply,
  type Devices,
  type History,
  type JobList,
  type JobQuery,
  type JobReply,
  type Problem,
  type RainStation,
} from '@katabasis/core/first';
import type { Element } from '@katabasis/core';
import type { z } from 'zod';
import { deviceName } from './device';

/** The server answered, and said no. */
export class Refused extends Error {
  readonly problem: Problem;

  constructor(problem: Problem) {
    super([problem.title, ...(problem.faults ?? []).map((fault) => `${fault.path} ${fault.sentence}.`)].join(' '));
    this.problem = problem;
  }
}

/** Nobody answered, or the server could not now; asking again later may help. */
export class Unreachable extends Error {
  /** What the server said of itself; null when nobody answered. */
  readonly said: string | null;

  constructor(message: string, said: string | null = null) {
    super(message);
    this.said = said;
  }
}

/** This device has not been let in, or is no longer. What is kept here stays, and is sent when it is. */
export class NotAdmitted extends Unreachable {}

/** A search part of an address: what is left out is not asked for. */
function asSearch(query: Readonly<Record<string, string | number | undefined>>): string {
  const given = Object.entries(query).flatMap(([key, value]) => (value === undefined ? [] : [[key, String(value)]]));
  return given.length === 0 ? '' : `?${new URLSearchParams(given).toString()}`;
}

/** A yard's signal can be slow; a job is small. */
const PATIENCE_MS = 20_000;

/** What is sent along: a file as it is, anything else as JSON. */
function bodyOf(body: unknown): Pick<RequestInit, 'body' | 'headers'> {
  if (body === undefined) return {};
  if (body instanceof Blob) return { body, headers: { 'Content-Type': body.type || 'application/octet-stream' } };
  return { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } };
}

/** Says what this device is called; the server writes it beside each change. */
const withDevice = ({ headers, ...rest }: Pick<RequestInit, 'body' | 'headers'>): RequestInit => ({
  ...rest,
  headers: { ...headers, 'Katabasis-Device': encodeURIComponent(deviceName()) },
});

export async function ask(method: string, path: string, body?: unknown): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      signal: AbortSignal.timeout(PATIENCE_MS),
      ...withDevice(bodyOf(body)),
    });
  } catch {
    throw new Unreachable('The server is out of reach.');
  }
  if (response.ok) return response;
  const problem = problemSchema.safeParse(await response.json().catch(() => null));
  if (!problem.success) throw new Unreachable('The server could not answer.');
  const { title } = problem.data;
  if (response.status === 401) throw new NotAdmitted(title, title);
  if (response.status >= 500 || response.status === 429) throw new Unreachable(title, title);
  throw new Refused(problem.data);
}

export async function read<T>(schema: z.ZodType<T>, asked: Promise<Response>): Promise<T> {
  const response = await asked;
  const parsed = schema.safeParse(await response.json().catch(() => null));
  if (!parsed.success) throw new Unreachable('The server answered in a way that this version cannot read.');
  return parsed.data;
}

export const api = {
  jobs: (query: JobQuery = {}): Promise<JobList> => read(jobListSchema, ask('GET', `/jobs${asSearch(query)}`)),
  job: (id: string): Promise<JobReply> => read(jobReplySchema, ask('GET', `/jobs/${id}`)),
  create: (id: string, elements: readonly Element[]): Promise<JobReply> =>
    read(jobReplySchema, ask('POST', '/jobs', { id, elements })),
  change: (id: string, body: ChangeBody): Promise<ChangeReply> =>
    read(changeReplySchema, ask('POST', `/jobs/${id}/changes`, body)),
  remove: async (id: string): Promise<void> => void (await ask('DELETE', `/jobs/${id}`)),
  bin: (): Promise<Bin> => read(binSchema, ask('GET', '/jobs/bin')),
  history: (id: string, before?: number): Promise<History> =>
    read(historySchema, ask('GET', `/jobs/${id}/history${asSearch({ before })}`)),
  copyAt: (id: string, copy: { id: string; seq: number; name: string }): Promise<JobReply> =>
    read(jobReplySchema, ask('POST', `/jobs/${id}/copies`, copy)),
  raw: async (id: string): Promise<string> => (await ask('GET', `/jobs/${id}/raw`)).text(),
  devices: (): Promise<Devices> => read(devicesSchema, ask('GET', '/devices')),
  pair: async (code: string, name: string): Promise<void> => void (await ask('POST', '/devices/pair', { code, name })),
  withdraw: async (id: string): Promise<void> => void (await ask('DELETE', `/devices/${id}`)),
  restore: async (id: string): Promise<void> => void (await ask('POST', `/jobs/${id}/restore`)),
  file: async (hash: string): Promise<Blob> => (await ask('GET', `/files/${hash}`)).blob(),
  putFile: async (hash: string, blob: Blob): Promise<void> => void (await ask('PUT', `/files/${hash}`, blob)),
  stations: async (): Promise<RainStation[]> => (await read(stationListSchema, ask('GET', '/rain/stations'))).stations,
};
export type Api = Pick<typeof api, 'create' | 'change' | 'restore'>;
