/**
 * Photos and files of this device, by the SHA-256 of their bytes: kept beside the jobs and named by elements, never inside them. Kept
 * first, then sent at once, a piece at a time; what broke off goes on where it was, and what the server will not have waits aside.
 */
import { later, pauseAfter } from '../again';
import { alone } from '../alone';
import { api } from '../api';
import { Refused } from '../ask';
import { database } from './deviceStore';
import type { StoredFile } from './schema';

/** So much at a time: at 64 kbit/s half a minute's work, which is all that a broken line costs. */
const PIECE = 256 * 1024;

/** A file that the server has not got. */
export interface UnsentFile {
  hash: string;
  /** Why the server will not have it; null of one that is on its way. */
  refused: string | null;
  /** Whether it outlives this page. */
  stored: boolean;
  /** Whether sending takes its time: a try came to nothing, or it is long for this line. */
  late: boolean;
}

/** Files that found no room on the device, for as long as this page lives. */
const held = new Map<string, StoredFile>();

let changed: () => void = () => undefined;
/** Whoever shows what is unsent is told of each change of it. */
export const unsentFilesShownBy = (tell: typeof changed): void => void (changed = tell);

async function fileOf(hash: string): Promise<StoredFile | undefined> {
  return held.get(hash) ?? (await database()).get('files', hash);
}

async function put(file: StoredFile): Promise<void> {
  if (held.has(file.hash)) held.set(file.hash, file);
  else await (await database()).put('files', file);
  changed();
}

/** Every file of the device. A blob of the store's is read when its bytes are asked for, and not before. */
async function each(visit: (file: StoredFile) => void): Promise<void> {
  held.forEach(visit);
  const db = await database().catch(() => null);
  for (const file of (await db?.getAll('files')) ?? []) visit(file);
}

/** Keeps a file on the device, or on this page where the device has no room; gives the hash that an element names it by. */
export async function keepFile(blob: Blob): Promise<string> {
  // The browser's own digest is only there over https, and a phone in the yard comes by plain http.
  const { sha256 } = await import('@noble/hashes/sha2.js');
  const { bytesToHex } = await import('@noble/hashes/utils.js');
  const hash = bytesToHex(sha256(new Uint8Array(await blob.arrayBuffer())));
  const file: StoredFile = { hash, blob, sent: false };
  try {
    const db = await database();
    if (!(await db.get('files', hash))) await db.put('files', file);
  } catch {
    held.set(hash, file);
  }
  changed();
  void sendFiles();
  return hash;
}

/** A file by its hash: from the device, or from the server and then kept; null when neither has it. */
export async function readFile(hash: string): Promise<Blob | null> {
  const kept = await fileOf(hash).catch(() => undefined);
  if (kept) return kept.blob;
  const blob = await api.file(hash).catch(() => null);
  // Where there is no room for it, it is asked for again another time.
  if (blob) await put({ hash, blob, sent: true }).catch(() => undefined);
  return blob;
}

/** What the server has not got. */
export async function unsentFiles(): Promise<UnsentFile[]> {
  const unsent: UnsentFile[] = [];
  await each(({ hash, sent, refused }) => {
    if (!sent) unsent.push({ hash, refused: refused ?? null, stored: !held.has(hash), late });
  });
  return unsent;
}

/** Sends a file, from where it broke off. Throws `Refused` where the server will not have it, `Unreachable` where it cannot now. */
async function send(file: StoredFile): Promise<void> {
  await sendPieces(file).catch((error: unknown) => {
    // Something was wrong with what lay there of it: once more from its beginning.
    if (error instanceof Refused && error.problem.status === 422) return sendPieces(file);
    throw error;
  });
}

async function sendPieces({ hash, blob }: StoredFile): Promise<void> {
  let arrival = await api.arrival(hash);
  while (!arrival.done) {
    const at = arrival.has;
    arrival = await api.putPiece(hash, blob.slice(at, at + PIECE), { at, of: blob.size });
    if (arrival.done) return;
    setLate(true);
    if (arrival.has < at) arrival = await api.arrival(hash);
  }
}

let sending: Promise<void> | null = null;
let wanted = false;
let again: ReturnType<typeof setTimeout> | undefined;
let tries = 0;
let late = false;

function setLate(is: boolean): void {
  if (late === is) return;
  late = is;
  changed();
}

/** Sends the files that the server has not got; what cannot be sent now is tried again by itself. Never throws. */
export function sendFiles(): Promise<void> {
  wanted = true;
  sending ??= alone('files', sendAll).finally(() => (sending = null));
  return sending;
}

async function sendAll(): Promise<void> {
  clearTimeout(again);
  while (wanted) {
    wanted = false;
    for (const { hash, refused } of await unsentFiles().catch(() => [])) {
      if (refused !== null) continue;
      const file = await fileOf(hash);
      if (!file) continue;
      try {
        await send(file);
        tries = 0;
        await put({ ...file, sent: true });
      } catch (error) {
        if (!(error instanceof Refused)) return sendAgain();
        // The others behind it are not held up.
        await put({ ...file, refused: error.message }).catch(() => undefined);
      }
    }
  }
  setLate(false);
}

function sendAgain(): void {
  setLate(true);
  again = later(pauseAfter(tries++), () => void sendFiles());
}

/** Tries those again that were refused. */
export async function retryRefused(): Promise<void> {
  for (const { hash, refused } of await unsentFiles()) {
    const file = refused === null ? undefined : await fileOf(hash);
    if (!file) continue;
    const { refused: _refused, ...rest } = file;
    await put(rest);
  }
  await sendFiles();
}

/** So many hashes are asked about at a time. */
const ASKED = 1_000;

/** Asks which files the server has not got, though they were sent once: one put back from a copy may lack some. Then sends what is to be sent. */
export async function sendLacking(): Promise<void> {
  const sent: string[] = [];
  await each((file) => {
    if (file.sent) sent.push(file.hash);
  }).catch(() => undefined);
  try {
    for (let from = 0; from < sent.length; from += ASKED)
      for (const hash of await api.lacking(sent.slice(from, from + ASKED))) {
        const file = await fileOf(hash);
        if (file) await put({ ...file, sent: false });
      }
  } catch {
    // Asked when the server is in reach again.
  }
  await sendFiles();
}
