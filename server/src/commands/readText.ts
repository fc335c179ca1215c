import { readFileSync } from 'node:fs';

/** A file's text; null, and one readable line on standard error, when there is none. `usage` says what to write instead. */
export function readText(path: string | undefined, usage: string): string | null {
  if (path === undefined) {
    console.error(`file: ${usage}`);
    return null;
  }
  try {
    return readFileSync(path, 'utf8');
  } catch (error) {
    console.error(`file: ${path} cannot be read (${(error as NodeJS.ErrnoException).code})`);
    return null;
  }
}
