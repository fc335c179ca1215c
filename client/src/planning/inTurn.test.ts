import { inTurn } from './inTurn';

it('does one piece at a time, what may come later after all others, and goes on after one that fails', async () => {
  const begun: string[] = [];
  const ends: (() => void)[] = [];
  const piece = (name: string, later: boolean): Promise<string> =>
    inTurn(() => {
      begun.push(name);
      return new Promise((done, fail) => ends.push(() => (name === 'c' ? fail(new Error(name)) : done(name))));
    }, later);
  const all = [piece('a', true), piece('b', true), piece('c', false), piece('d', false)];
  const turn = async (): Promise<void> => {
    ends.at(-1)!();
    await new Promise((done) => setTimeout(done));
  };
  expect(begun).toEqual(['a']);
  await turn();
  expect(begun).toEqual(['a', 'c']);
  all[2]!.catch(() => undefined);
  await turn();
  await turn();
  await turn();
  expect(begun).toEqual(['a', 'c', 'd', 'b']);
  expect(await Promise.allSettled(all)).toMatchObject([
    { value: 'a' },
    { value: 'b' },
    { status: 'rejected' },
    { value: 'd' },
  ]);
});
