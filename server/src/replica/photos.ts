/** Photos of a replica: each once, by its hash, sealed where the replica has a key. */
import { mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { sealed, unsealed, type ReplicaKey } from './key';

const HASH = /^[0-9a-f]{64}$/;
const SEALED = '.age';

export const hashesIn = (folder: string, ending = ''): string[] => {
  try {
    return readdirSync(folder)
      .filter((name) => name.endsWith(ending))
      .map((name) => name.slice(0, name.length - ending.length))
      .filter((name) => HASH.test(name));
  } catch {
    // None yet.
    return [];
  }
};

/** A kill leaves a draft at most. */
function write(folder: string, name: string, bytes: Uint8Array): void {
  const draft = join(folder, `${name}.draft`);
  writeFileSync(draft, bytes);
  renameSync(draft, join(folder, name));
}

export class ReplicaPhotos {
  private copied: Set<string> | null = null;
  private going: Promise<void> | null = null;

  constructor(
    private readonly files: string,
    private readonly folder: string,
    private readonly key: ReplicaKey | null,
  ) {}

  private get ending(): string {
    return this.key ? SEALED : '';
  }

  private has(): Set<string> {
    return (this.copied ??= new Set(hashesIn(this.folder, this.ending)));
  }

  /** How many it lacks. */
  lacking(): number {
    return hashesIn(this.files).filter((hash) => !this.has().has(hash)).length;
  }

  /** Copies what it lacks. Asked again meanwhile it is the same copying. */
  copy(): Promise<void> {
    return (this.going ??= this.copyAll().finally(() => (this.going = null)));
  }

  private async copyAll(): Promise<void> {
    mkdirSync(this.folder, { recursive: true });
    for (const hash of hashesIn(this.files)) {
      if (this.has().has(hash)) continue;
      const bytes = readFileSync(join(this.files, hash));
      write(this.folder, `${hash}${this.ending}`, this.key ? await sealed(this.key, bytes) : bytes);
      // One that lay there open before there was a key.
      if (this.key) rmSync(join(this.folder, hash), { force: true });
      this.has().add(hash);
    }
  }

  /** Takes those that are not there into the folder of files; how many. */
  async takeBack(): Promise<number> {
    mkdirSync(this.files, { recursive: true });
    const there = new Set(hashesIn(this.files));
    const wanted = hashesIn(this.folder, this.ending).filter((hash) => !there.has(hash));
    for (const hash of wanted) {
      const bytes = readFileSync(join(this.folder, `${hash}${this.ending}`));
      write(this.files, hash, this.key ? await unsealed(this.key, bytes) : bytes);
    }
    return wanted.length;
  }
}
