/** Papers and files, made at the server of the job as it stands here. */
import type { Job } from '@katabasis/core';
import { z } from 'zod';
import { ask, Unreachable } from '../sync/ask';

const lineSchema = z.union([
  z.object({ ahead: z.number() }),
  z.object({ done: z.number(), of: z.number() }),
  z.object({ bytes: z.base64() }),
  z.object({ problem: z.string() }),
]);

const TYPES: Record<string, string> = {
  pdf: 'application/pdf',
  csv: 'text/csv',
  geojson: 'application/geo+json',
  ics: 'text/calendar',
  dxf: 'application/dxf',
  xml: 'application/xml',
};

/** Longest that a large job's papers and those before them take, ms. */
const MAKING_MS = 10 * 60_000;
const BROKEN = 'The server broke off. Try again.';

/** Has a file made; `onStep` hears how far it has come, `onAhead` how many others are made before it. Throws what the server said. */
export async function makePaper(
  file: string,
  job: Job,
  paper: 'a4' | 'letter',
  { onStep, onAhead }: { onStep: (done: number, of: number) => void; onAhead: (ahead: number) => void },
): Promise<Blob> {
  const response = await ask('POST', `/sheets/${file}`, { job: job.id, elements: job.elements.all, paper }, MAKING_MS);
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  for (;;) {
    const { done, value } = await reader.read().catch(() => {
      throw new Unreachable(BROKEN);
    });
    if (done) throw new Unreachable(BROKEN);
    const lines = (rest + value).split('\n');
    rest = lines.pop()!;
    for (const line of lines) {
      const read = lineSchema.parse(JSON.parse(line));
      if ('problem' in read) throw new Unreachable(read.problem);
      if ('ahead' in read) onAhead(read.ahead);
      else if ('done' in read) onStep(read.done, read.of);
      else if ('bytes' in read) {
        const bytes = Uint8Array.from(atob(read.bytes), (letter) => letter.charCodeAt(0));
        return new Blob([bytes], { type: TYPES[file.split('.').at(-1)!] ?? 'application/octet-stream' });
      }
    }
  }
}
