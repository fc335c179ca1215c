/** Passwords, kept as argon2id (RFC 9106) with the cost that OWASP's password storage cheat sheet names: 19 MiB, two passes, one lane. */
import { randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';

/** `algorithm`: 2 is argon2id, by the library's own count. */
const COST = { algorithm: 2, memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** One way to write what looks alike on two keyboards (Unicode NFKC). */
const plain = (password: string): string => password.normalize('NFKC');

export const hashOfPassword = (password: string): Promise<string> => hash(plain(password), COST);

let nobodys: Promise<string> | null = null;

/** Whether a password is the one that is kept. Where none is kept it takes as long, so that the time tells of no name whether it is somebody's. */
export async function fits(kept: string | null, password: string): Promise<boolean> {
  nobodys ??= hashOfPassword(randomBytes(16).toString('hex'));
  // What is kept and cannot be read is nobody's password.
  const right = await verify(kept ?? (await nobodys), plain(password)).catch(() => false);
  return right && kept !== null;
}
