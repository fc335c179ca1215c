import 'fake-indexeddb/auto';
import { api } from '../api';
import { database } from './deviceStore';
import { keepFile, readFile, sendFiles } from './keptFiles';

globalThis.localStorage = { length: 0, getItem: () => null, key: () => null } as unknown as Storage;

const photo = (text: string): Blob => new Blob([text], { type: 'image/jpeg' });

it('keeps a photo once, under the hash of its bytes, and sends it when the server is in reach', async () => {
  // The published digest of "abc" (FIPS 180-2, appendix B.1).
  const ABC = 'ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad';
  const put = jest.spyOn(api, 'putFile').mockRejectedValueOnce(new Error('out of reach')).mockResolvedValue();
  expect(await keepFile(photo('abc'))).toBe(ABC);
  expect(await keepFile(photo('abc'))).toBe(ABC);
  await sendFiles();
  await sendFiles();
  await sendFiles();
  // Once in vain, once for good.
  expect(put.mock.calls.map(([hash]) => hash)).toEqual([ABC, ABC]);
  expect(await (await readFile(ABC))!.text()).toBe('abc');
});

it('asks the server for one that another device kept, and keeps it then', async () => {
  const ask = jest.spyOn(api, 'file').mockResolvedValue(photo('theirs'));
  expect(await (await readFile('f'.repeat(64)))!.text()).toBe('theirs');
  expect(await readFile('f'.repeat(64))).not.toBeNull();
  expect(ask).toHaveBeenCalledTimes(1);
  expect((await (await database()).get('files', 'f'.repeat(64)))!.sent).toBe(true);
});
