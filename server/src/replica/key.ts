/**
 * The key of a replica: who has the replica alone reads nothing of it. A file of its own, made at the first start that names it; without
 * it nobody puts the replica together, so it is kept elsewhere too.
 */
import { existsSync, readFileSync } from 'node:fs';
import { Decrypter, Encrypter, generateX25519Identity, identityToRecipient } from 'age-encryption';
import { writeWhole } from '../files/writeWhole';
import { CannotStart } from '../start/cannotStart';

/** An age identity of X25519, and the recipient that goes with it. */
export interface ReplicaKey {
  identity: string;
  recipient: string;
}

const IDENTITY = /^AGE-SECRET-KEY-1[0-9A-Z]+$/m;

/** The key in a file; throws, in words, where there is none in it. */
export async function replicaKeyIn(path: string): Promise<ReplicaKey> {
  const text = existsSync(path) ? readFileSync(path, 'utf8') : '';
  const identity = IDENTITY.exec(text)?.[0];
  if (identity === undefined) throw new CannotStart(`There is no key of a replica in ${path}.`);
  try {
    return { identity, recipient: await identityToRecipient(identity) };
  } catch {
    throw new CannotStart(`The key of the replica in ${path} is not whole.`);
  }
}

/** The same; made where there is no such file yet. */
export async function replicaKeyAt(path: string): Promise<ReplicaKey> {
  if (!existsSync(path)) {
    const identity = await generateX25519Identity();
    writeWhole(
      path,
      `# Key of the replica. Without it nobody puts the replica together: keep a copy elsewhere.\n${identity}\n`,
    );
  }
  return replicaKeyIn(path);
}

export function sealed({ recipient }: ReplicaKey, bytes: Uint8Array): Promise<Uint8Array> {
  const encrypter = new Encrypter();
  encrypter.addRecipient(recipient);
  return encrypter.encrypt(bytes);
}

/** Rejects where the bytes were sealed by another key, or altered. */
export function unsealed({ identity }: ReplicaKey, bytes: Uint8Array): Promise<Uint8Array> {
  const decrypter = new Decrypter();
  decrypter.addIdentity(identity);
  return decrypter.decrypt(bytes);
}
