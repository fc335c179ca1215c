import { createHash } from 'node:crypto';

/** What is kept of a token, or compared of a key, in its place: its SHA-256, hex. Who reads it can show nothing. */
export const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
