/** Pages of docs/ of which the lower part is written by a command: what stands above its marker is kept. */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/**
 * Writes the part of a page that the command `npm run <command>` makes. With `check` nothing is written; gives whether the page already
 * read so.
 */
export function writeBelow(page: string, command: string, lines: readonly string[], check = false): boolean {
  const file = join(process.cwd(), 'docs', page);
  const marker = `<!-- Below this line: written by \`npm run ${command}\`. -->`;
  const before = readFileSync(file, 'utf8');
  const made = `${before.split(marker)[0]!}${marker}\n\n${lines.join('\n')}\n`;
  if (!check) writeFileSync(file, made);
  return made === before;
}
