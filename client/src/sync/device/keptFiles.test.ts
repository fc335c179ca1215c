import 'fake-indexeddb/auto';
import { api } from '../api';
import { Refused, Unreachable } from '../ask';
import { database } from './deviceStore';
import { keepFile, readFile, retryRefused, sendFiles, sendLacking, unsentFiles } from './keptFiles';

globalThis.localStorage = { length: 0, getItem: () => null, key: () => null } as unknown as Storage;

const photo = (text: string): Blob => new Blob([text], { type: 'image/jpeg' });
const refused = (status: number, title: string): Refused => new Refused({ type: 'about:blank', title, status });

/** A server of files that takes pieces, and does with each what the test says first. */
function fileServer() {
  const bytes = new Map<string, number>();
  const done = new Set<string>();
  const pieces: [string, number][] = [];
  const server = { before: (_hash: string): void => undefined, bytes, done, pieces };
  const arrival = (hash: string) => ({ has: bytes.get(hash) ?? 0, done: done.has(hash) });
  jest.spyOn(api, 'arrival').mockImplementation(async (hash) => {
    server.before(hash);
    return arrival(hash);
  });
  jest.spyOn(api, 'putPiece').mockImplementation(async (hash, piece, { at, of }) => {
    server.before(hash);
    pieces.push([hash, at]);
    bytes.set(hash, at + piece.size);
    if (at + piece.size === of) done.add(hash);
    return arrival(hash);
  });
  return server;
}

beforeEach(async () => {
  jest.restoreAllMocks();
  await (await database()).clear('files');
});

it('keeps a photo once, under the hash of its bytes, and sends it as soon as it is kept', async () => {
  // The published digest of "abc" (FIPS 180-2, appendix B.1).
  const ABC = 'ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad';
  const { pieces } = fileServer();
  expect(await keepFile(photo('abc'))).toBe(ABC);
  await sendFiles();
  expect(await keepFile(photo('abc'))).toBe(ABC);
  await sendFiles();
  expect(pieces).toEqual([[ABC, 0]]);
  expect(await unsentFiles()).toEqual([]);
  expect(await (await readFile(ABC))!.text()).toBe('abc');
});

it('goes on where the line broke, piece by piece', async () => {
  const server = fileServer();
  const large = photo('x'.repeat(600 * 1024));
  let breaks = 2;
  server.before = () => {
    if (server.pieces.length > 0 && breaks-- > 0) throw new Unreachable('The line broke.');
  };
  const hash = await keepFile(large);
  await sendFiles();
  expect(await unsentFiles()).toMatchObject([{ hash, refused: null, stored: true, late: true }]);
  await sendFiles();
  await sendFiles();
  expect(server.pieces.map(([, at]) => at)).toEqual([0, 256 * 1024, 512 * 1024]);
  expect(await unsentFiles()).toEqual([]);
});

it('one that is refused waits aside and says why, and holds up none behind it; it goes when it is told to', async () => {
  const server = fileServer();
  const bad = await keepFile(photo('bad'));
  let isTaken = false;
  server.before = (hash) => {
    if (hash === bad && !isTaken) throw refused(413, 'A file is at most 20 MB.');
  };
  await sendFiles();
  const good = [await keepFile(photo('good')), await keepFile(photo('better'))];
  await sendFiles();
  expect([...server.done].sort()).toEqual([...good].sort());
  expect(await unsentFiles()).toMatchObject([{ hash: bad, refused: 'A file is at most 20 MB.' }]);
  isTaken = true;
  await retryRefused();
  expect(server.done).toContain(bad);
});

it('what the server has lost is sent again', async () => {
  const server = fileServer();
  const [kept, lost] = [await keepFile(photo('kept')), await keepFile(photo('lost'))];
  await sendFiles();
  server.done.delete(lost);
  server.bytes.delete(lost);
  jest.spyOn(api, 'lacking').mockImplementation(async (hashes) => hashes.filter((hash) => !server.done.has(hash)));
  await sendLacking();
  expect([...server.done].sort()).toEqual([kept, lost].sort());
});

it('where the device has no room a picture is held on its page, sent, and said to be nowhere else', async () => {
  const server = fileServer();
  server.before = () => {
    throw new Unreachable('away');
  };
  const put = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  const hash = await keepFile(photo('no room'));
  await sendFiles();
  put.mockRestore();
  expect(await unsentFiles()).toMatchObject([{ hash, stored: false }]);
  expect(await (await readFile(hash))!.text()).toBe('no room');
  server.before = () => undefined;
  await sendFiles();
  expect(server.done).toContain(hash);
});

it('asks the server for one that another device kept, and keeps it then', async () => {
  const ask = jest.spyOn(api, 'file').mockResolvedValue(photo('theirs'));
  expect(await (await readFile('f'.repeat(64)))!.text()).toBe('theirs');
  expect(await readFile('f'.repeat(64))).not.toBeNull();
  expect(ask).toHaveBeenCalledTimes(1);
  expect((await (await database()).get('files', 'f'.repeat(64)))!.sent).toBe(true);
});
