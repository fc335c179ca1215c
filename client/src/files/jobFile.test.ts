import 'fake-indexeddb/auto';
import { jobFrom, toFile, type Element, type Job } from '@katabasis/core';
import { quillfeather } from '@katabasis/core/samples';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { api } from '../sync/api';
import { database } from '../sync/device/deviceStore';
import { readJob, writeJob } from './jobFile';
import { keepFile, readFile } from '../sync/device/keptFiles';

globalThis.localStorage = { length: 0, getItem: () => null, key: () => null } as unknown as Storage;

const photo = (id: string, file: string): Element => ({ id, kind: 'photo', name: id, file });
const withPhotos = (...photos: Element[]): Job => jobFrom('yard', [...quillfeather().elements.all, ...photos]);
const bytesOf = async (blob: Blob): Promise<Uint8Array> => new Uint8Array(await blob.arrayBuffer());

it('a job without pictures is its elements alone, and comes back the same', async () => {
  const { ending, content, missing } = await writeJob(quillfeather());
  expect([ending, missing]).toEqual(['katabasis.json', 0]);
  const read = await readJob(content);
  expect(read.ok && read.job.elements.all).toEqual(quillfeather().elements.all);
});

it('pictures go with their job, and are on the next device byte for byte', async () => {
  const hash = await keepFile(new Blob(['a picture'], { type: 'image/jpeg' }));
  const job = withPhotos(photo('front', hash), photo('again', hash));
  const { ending, content, missing } = await writeJob(job);
  expect([ending, missing]).toEqual(['katabasis.zip', 0]);
  await (await database()).clear('files');
  jest.spyOn(api, 'file').mockRejectedValue(new Error('out of reach'));
  const read = await readJob(content);
  expect(read.ok && read.job.elements.all).toEqual(job.elements.all);
  expect(await (await readFile(hash))!.text()).toBe('a picture');
});

it('says how many pictures could not be had, and writes the rest', async () => {
  jest.spyOn(api, 'file').mockRejectedValue(new Error('out of reach'));
  const hash = await keepFile(new Blob(['here'], { type: 'image/jpeg' }));
  const written = await writeJob(withPhotos(photo('one', hash), photo('two', 'e'.repeat(64))));
  expect(written.missing).toBe(1);
  expect(Object.keys(unzipSync(await bytesOf(written.content))).sort()).toEqual([
    'job.katabasis.json',
    `pictures/${hash}.jpg`,
  ]);
});

it('refuses with a sentence what is no job file, and keeps nothing of it that no photo names', async () => {
  await (await database()).clear('files');
  const told = async (bytes: Uint8Array | string): Promise<string> => {
    const read = await readJob(new Blob([bytes as BlobPart]));
    return read.ok ? 'ok' : read.faults.map(({ path, sentence }) => `${path} ${sentence}`).join();
  };
  const zip = (parts: Record<string, string>): Uint8Array =>
    zipSync(Object.fromEntries(Object.entries(parts).map(([name, text]) => [name, strToU8(text)])));
  expect(await told('')).toMatch(/empty/);
  expect(await told(zip({ 'notes.txt': 'x' }))).toMatch(/holds no job\.katabasis\.json/);
  expect(await told(zip({ 'job.katabasis.json': '{"format":' }))).toMatch(/breaks off or is damaged/);
  const whole = zip({
    'job.katabasis.json': JSON.stringify(toFile(quillfeather())),
    [`pictures/${'a'.repeat(64)}.jpg`]: 'x',
  });
  expect(await told(whole.slice(0, whole.length - 30))).toMatch(/breaks off or is damaged/);
  expect(await told(whole)).toBe('ok');
  // What would unfold to more than was allowed says so: here a header that claims half a gigabyte.
  const claims = Uint8Array.from(whole);
  const view = new DataView(claims.buffer);
  const central = claims.findLastIndex((_, k) => k + 4 <= claims.length && view.getUint32(k, true) === 0x02014b50);
  view.setUint32(central + 24, 500e6, true);
  expect(await told(claims)).toMatch(/at most 400 MB/);
  // Somebody else's bytes under the name of a photo of the job are kept under their own, where nothing asks for them.
  const job = withPhotos(photo('front', 'b'.repeat(64)));
  await told(zip({ 'job.katabasis.json': JSON.stringify(toFile(job)), [`pictures/${'b'.repeat(64)}.jpg`]: 'false' }));
  expect(await (await database()).get('files', 'b'.repeat(64))).toBeUndefined();
});
