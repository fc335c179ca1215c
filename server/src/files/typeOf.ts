/** What a file is, from its bytes: what its sender said of it is not believed. */
import { open } from 'node:fs/promises';

/** How the pictures begin that a page shows: JPEG (ISO/IEC 10918-5, SOI and a marker), PNG (ISO/IEC 15948, 5.2), WebP (RFC 9649, 2.4). */
const STARTS: readonly [type: string, start: RegExp][] = [
  ['image/jpeg', /^\xff\xd8\xff/],
  ['image/png', /^\x89PNG\r\n\x1a\n/],
  ['image/webp', /^RIFF[^]{4}WEBP/],
];
const HEAD = 16;

/** The media type of a picture that a page may show; of anything else, that it is bytes. */
export async function typeOf(path: string): Promise<string> {
  const handle = await open(path);
  try {
    const { buffer, bytesRead } = await handle.read(Buffer.alloc(HEAD), 0, HEAD, 0);
    const head = buffer.toString('latin1', 0, bytesRead);
    return STARTS.find(([, start]) => start.test(head))?.[0] ?? 'application/octet-stream';
  } finally {
    await handle.close();
  }
}
