/** What the device's database holds. */
import type { DBSchema, IDBPDatabase } from 'idb';
import type { Head, Pending, StoredStep, Versioned } from './stored';

export interface StoredFile {
  hash: string;
  blob: Blob;
  /** False until the server has it. */
  sent: boolean;
  /** Why the server will not have it; it is not tried again by itself. */
  refused?: string;
}

export interface KatabasisDb extends DBSchema {
  jobs: { key: string; value: Head & { id: string } };
  elements: { key: [string, string]; value: Versioned & { job: string; id: string } };
  changes: { key: [string, number, string]; value: Pending & { job: string } };
  steps: { key: [string, string]; value: StoredStep & { job: string } };
  files: { key: string; value: StoredFile };
  answers: { key: string; value: string };
}

export type Db = IDBPDatabase<KatabasisDb>;
