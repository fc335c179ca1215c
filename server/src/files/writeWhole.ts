import { renameSync, writeFileSync } from 'node:fs';

/** Writes a file so that a kill at any moment leaves the old one or the new one, whole; its owner's alone. What is left of a draft is cleared at a start. */
export function writeWhole(file: string, data: string | Uint8Array): void {
  writeFileSync(`${file}.draft`, data, { mode: 0o600, flush: true });
  renameSync(`${file}.draft`, file);
}
