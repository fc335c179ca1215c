/** A name for what works verdicts out: one that was kept by another version of the core is worked out anew. */
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const CORE = join(dirname(fileURLToPath(import.meta.url)), '..', '..', '..', 'core', 'src');

let known: string | null = null;

/** Hash of the core's sources; read once a process. */
export const engineName = (): string => (known ??= hashOfCore());

function hashOfCore(): string {
  const hash = createHash('sha256');
  const files = readdirSync(CORE, { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
    .sort();
  for (const name of files) hash.update(name).update(readFileSync(join(CORE, name)));
  return hash.digest('hex').slice(0, 16);
}
