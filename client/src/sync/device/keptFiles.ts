/**
 * Photos and files of this device, by the SHA-256 of their bytes: kept beside the jobs and named by elements, never inside them. Kept
 * first, sent when the server is in reach.
 */
import { api } from '../api';
import { database } from './deviceStore';

/** Keeps a file on the device; gives the hash that an element names it by. */
export async function keepFile(blob: Blob): Promise<string> {
  // The browser's own digest is only there over https, and a phone in the yard comes by plain http.
  const { sha256 } = await import('@noble/hashes/sha2.js');
  const { bytesToHex } = await import('@noble/hashes/utils.js');
  const hash = bytesToHex(sha256(new Uint8Array(await blob.arrayBuffer())));
  const db = await database();
  if (!(await db.get('files', hash))) await db.put('files', { hash, blob, sent: false });
  return hash;
}

/** A file by its hash: from the device, or from the server and then kept; null when neither has it. */
export async function readFile(hash: string): Promise<Blob | null> {
  const db = await database();
  const kept = await db.get('files', hash);
  if (kept) return kept.blob;
  const blob = await api.file(hash).catch(() => null);
  if (blob) await db.put('files', { hash, blob, sent: true });
  return blob;
}

/** Sends the files that the server has not got; what cannot be sent now stays for the next time. */
export async function sendFiles(): Promise<void> {
  const db = await database();
  for (const file of await db.getAll('files')) {
    if (file.sent) continue;
    try {
      await api.putFile(file.hash, file.blob);
    } catch {
      return;
    }
    await db.put('files', { ...file, sent: true });
  }
}
