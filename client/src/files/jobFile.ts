/** A job as a file of the device: its elements as `*.katabasis.json`; where it has pictures, both in one `*.katabasis.zip`. */
import { nameOf, readFileText, toFile, type Job, type ReadFile } from '@katabasis/core';
import { saveFile, slug } from './files';
import { picturesOf } from './unsent';
import { keepFile, readFile } from '../sync/device/keptFiles';

export interface Written {
  /** Ending of its name. */
  ending: string;
  content: Blob;
  /** Pictures that neither the device nor the server could give. */
  missing: number;
}

const JOB = 'job.katabasis.json';
const PICTURE = /^pictures\/[0-9a-f]{64}\.jpg$/;
/** A job's elements at most, and a whole file with its pictures, bytes. */
const MOST_ELEMENTS = 12e6;
const MOST = 400e6;

export async function writeJob(job: Job): Promise<Written> {
  const text = JSON.stringify(toFile(job), null, 2);
  const named = [...picturesOf(job)];
  const found = await Promise.all(named.map(async (hash) => ({ hash, blob: await readFile(hash) })));
  const here = found.flatMap(({ hash, blob }) => (blob ? [{ hash, blob }] : []));
  const missing = named.length - here.length;
  if (here.length === 0)
    return { ending: 'katabasis.json', content: new Blob([text], { type: 'application/json' }), missing };
  const { strToU8, zipSync } = await import('fflate');
  const pictures = await Promise.all(
    // As they are: a picture does not get smaller.
    here.map(
      async ({ hash, blob }) =>
        [`pictures/${hash}.jpg`, [new Uint8Array(await blob.arrayBuffer()), { level: 0 }]] as const,
    ),
  );
  const zipped = zipSync({ [JOB]: strToU8(text), ...Object.fromEntries(pictures) } as Parameters<typeof zipSync>[0]);
  return { ending: 'katabasis.zip', content: new Blob([zipped as BlobPart], { type: 'application/zip' }), missing };
}

/** What could not be put in, in words; null where all is. */
const missingWords = (missing: number): string | null =>
  missing === 0
    ? null
    : `${missing === 1 ? 'One picture is' : `${missing} pictures are`} not in the file: neither this device nor the server could give ${missing === 1 ? 'it' : 'them'}.`;

/** Saves a job as a file of the device; gives a sentence where pictures of it are not in. */
export async function saveJob(job: Job): Promise<string | null> {
  const { ending, content, missing } = await writeJob(job);
  saveFile(`${slug(nameOf(job, 'job'))}.${ending}`, content);
  return missingWords(missing);
}

const refused = (sentence: string): ReadFile => ({ ok: false, faults: [{ path: 'file', sentence }] });
const tooLarge = (bytes: number, most: number): ReadFile =>
  refused(`is ${Math.round(bytes / 1e6)} MB; a job file is at most ${Math.round(most / 1e6)} MB`);

/** Reads a job file of either form, and keeps its pictures on the device; a sentence where it cannot. */
export async function readJob(file: Blob): Promise<ReadFile> {
  const head = new Uint8Array(await file.slice(0, 4).arrayBuffer());
  const isZip = head[0] === 0x50 && head[1] === 0x4b && head[2] === 3 && head[3] === 4;
  const most = isZip ? MOST : MOST_ELEMENTS;
  if (file.size > most) return tooLarge(file.size, most);
  return isZip ? readZip(new Uint8Array(await file.arrayBuffer())) : readFileText(await file.text());
}

async function readZip(bytes: Uint8Array): Promise<ReadFile> {
  const { strFromU8, unzipSync } = await import('fflate');
  let whole = 0;
  let parts: Record<string, Uint8Array>;
  try {
    parts = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        const wanted = name === JOB ? originalSize <= MOST_ELEMENTS : PICTURE.test(name);
        // What would unfold to more than was allowed is not unfolded.
        if (wanted) whole += originalSize;
        return wanted && whole <= MOST;
      },
    });
  } catch {
    return refused('is not a job file: it breaks off or is damaged');
  }
  if (whole > MOST) return tooLarge(whole, MOST);
  const text = parts[JOB];
  if (!text) return refused(`is not a job file: it holds no ${JOB}`);
  const read = readFileText(strFromU8(text));
  if (!read.ok) return read;
  const named = picturesOf(read.job);
  try {
    for (const [name, picture] of Object.entries(parts))
      if (named.has(name.slice('pictures/'.length, -'.jpg'.length)))
        await keepFile(new Blob([picture as BlobPart], { type: 'image/jpeg' }));
  } catch {
    return refused('has pictures that this device has no room for');
  }
  return read;
}
