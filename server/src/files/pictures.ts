/** Photos by their hash, as a paper wants them: at once and whole. */
import { readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { PictureOf } from '../sheets/photosOnPaper';

/** A larger one would make a paper that nobody can send, bytes. */
const MOST = 8_000_000;

export const picturesIn =
  (folder: string): PictureOf =>
  (hash) => {
    const path = join(folder, hash);
    const size = statSync(path, { throwIfNoEntry: false })?.size ?? Infinity;
    return size <= MOST ? readFileSync(path) : null;
  };
