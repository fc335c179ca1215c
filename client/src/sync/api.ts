/** What is asked of the server of whole jobs: typed requests, answers checked by the schemas that both sides share. */
import {
  arrivalSchema,
  type People,
  type Me,
  type Handed,
  type Audit,
  peopleSchema,
  meSchema,
  handedSchema,
  auditSchema,
  besideSchema,
  binSchema,
  changeReplySchema,
  devicesSchema,
  historySchema,
  jobReplySchema,
  companyJarsSchema,
  ledgerSchema,
  lackingReplySchema,
  problemSchema,
  roundsSchema,
  serverStateSchema,
  stationListSchema,
  type Arrival,
  type Beside,
  type Bin,
  type ChangeBody,
  type ChangeReply,
  type Devices,
  type Element,
  type History,
  type CompanyJars,
  type JobReply,
  type Ledger,
  type RainStation,
  type Rounds,
  type ServerState,
} from '@katabasis/core';
import type { z } from 'zod';
import { ask, asSearch, NOT_READ, problemsReadBy, Unreachable } from './ask';

problemsReadBy((said) => problemSchema.safeParse(said).data ?? null);

export async function read<T>(schema: z.ZodType<T>, asked: Promise<Response>): Promise<T> {
  const response = await asked;
  const parsed = schema.safeParse(await response.json().catch(() => null));
  if (!parsed.success) throw new Unreachable(NOT_READ);
  return parsed.data;
}

/** A large picture over a slow line, ms. */
const FILE_MS = 15 * 60_000;

export const api = {
  job: (id: string): Promise<JobReply> => read(jobReplySchema, ask('GET', `/jobs/${id}`)),
  /** A job as it stands, for this device that knows it from another epoch of the server's. */
  beside: (id: string, epoch: string): Promise<Beside> =>
    read(besideSchema, ask('GET', `/jobs/${id}/beside${asSearch({ epoch })}`)),
  create: (id: string, elements: readonly Element[]): Promise<JobReply> =>
    read(jobReplySchema, ask('POST', '/jobs', { id, elements })),
  change: (id: string, body: ChangeBody): Promise<ChangeReply> =>
    read(changeReplySchema, ask('POST', `/jobs/${id}/changes`, body)),
  remove: async (id: string): Promise<void> => void (await ask('DELETE', `/jobs/${id}`)),
  rounds: (): Promise<Rounds> => read(roundsSchema, ask('GET', '/jobs/rounds')),
  ledger: (): Promise<Ledger> => read(ledgerSchema, ask('GET', '/jobs/ledger')),
  jars: (): Promise<CompanyJars> => read(companyJarsSchema, ask('GET', '/jobs/jars')),
  yearPaper: async (file: string, paper: string): Promise<Blob> =>
    (await ask('GET', `/years/${file}${asSearch({ paper })}`)).blob(),
  bin: (): Promise<Bin> => read(binSchema, ask('GET', '/jobs/bin')),
  history: (id: string, before?: number): Promise<History> =>
    read(historySchema, ask('GET', `/jobs/${id}/history${asSearch({ before })}`)),
  copyAt: (id: string, copy: { id: string; seq: number; name: string }): Promise<JobReply> =>
    read(jobReplySchema, ask('POST', `/jobs/${id}/copies`, copy)),
  raw: async (id: string): Promise<string> => (await ask('GET', `/jobs/${id}/raw`)).text(),
  devices: (): Promise<Devices> => read(devicesSchema, ask('GET', '/devices')),
  me: (): Promise<Me> => read(meSchema, ask('GET', '/me')),
  people: (): Promise<People> => read(peopleSchema, ask('GET', '/people')),
  audit: (before?: number): Promise<Audit> => read(auditSchema, ask('GET', `/audit${asSearch({ before })}`)),
  state: (): Promise<ServerState> => read(serverStateSchema, ask('GET', '/state')),
  handed: (): Promise<Handed> => read(handedSchema, ask('GET', '/handed')),
  pair: async (code: string, name: string): Promise<void> => void (await ask('POST', '/devices/pair', { code, name })),
  withdraw: async (id: string): Promise<void> => void (await ask('DELETE', `/devices/${id}`)),
  restore: async (id: string): Promise<void> => void (await ask('POST', `/jobs/${id}/restore`)),
  file: async (hash: string): Promise<Blob> => (await ask('GET', `/files/${hash}`, undefined, FILE_MS)).blob(),
  /** How much of a file the server has. */
  arrival: (hash: string): Promise<Arrival> => read(arrivalSchema, ask('GET', `/files/${hash}/pieces`)),
  /** Sends the piece of a file that begins at a byte. */
  putPiece: (hash: string, piece: Blob, { at, of }: { at: number; of: number }): Promise<Arrival> =>
    read(arrivalSchema, ask('PUT', `/files/${hash}/pieces${asSearch({ at, of })}`, piece)),
  /** Those of these files that the server has not got. */
  lacking: async (hashes: readonly string[]): Promise<string[]> =>
    (await read(lackingReplySchema, ask('POST', '/files/lacking', { hashes }))).hashes,
  stations: async (): Promise<RainStation[]> => (await read(stationListSchema, ask('GET', '/rain/stations'))).stations,
};
export type Api = Pick<typeof api, 'beside' | 'create' | 'change' | 'restore'>;
