/** Bodies that are read as they are. */
import type { IncomingMessage } from 'node:http';
import type { Readable } from 'node:stream';
import { ProblemError } from './problem';

/** What a body brings, left standing where reading breaks off: a connection goes on after what it sent was refused. */
export const chunksOf = (body: Readable): AsyncIterable<Buffer> =>
  body.iterator({ destroyOnReturn: false }) as AsyncIterable<Buffer>;

/** All bytes of a body; 413 with that sentence where it is more than `most`. */
export async function bytesOf(body: IncomingMessage, most: number, sentence: string): Promise<Buffer> {
  const chunks: Buffer[] = [];
  let size = 0;
  for await (const chunk of chunksOf(body)) {
    size += chunk.length;
    if (size > most) throw new ProblemError(413, sentence);
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
}
