import fc from 'fast-check';
import { jobFrom, type Element } from '@katabasis/core';
import { deviceOf, ServerModel } from '../../testing/serverModel';
import type { Session } from '../session';

type Bend = Extract<Element, { kind: 'junction' }>;
const HEAD: Element = { id: 'job', kind: 'job', name: 'Yard', units: 'us', pitchStyle: 'ground' };
const IDS = ['a', 'b', 'c', 'd'];
const bend = (id: string, name = id): Bend => ({ id, kind: 'junction', form: 'bend', name, groundLevel: 0 });

function yard() {
  let made = 0;
  const server = new ServerModel([HEAD, ...IDS.map((id) => bend(id))]);
  return { server, device: () => deviceOf(server, () => `change-${made++}`) };
}

const rename = (session: Session, id: string, name: string): string | null =>
  session.edit({
    label: name,
    puts: [{ ...bend(id), ...session.view.job!.elements.get(id), name } as Bend],
    removes: [],
  });
const remove = (session: Session, id: string): string | null => session.edit({ label: 'Out', puts: [], removes: [id] });

/** Sends, and answers every question, until all is kept. Gives what was asked. */
async function settle(session: Session, side: () => 'mine' | 'theirs'): Promise<(Element | null)[]> {
  const asked: (Element | null)[] = [];
  for (let round = 0; round < 200; round++) {
    await session.compare();
    await session.flush();
    const { keeping } = session.view;
    if (keeping.state === 'kept') return asked;
    // What was on its way when the server was lost fails first.
    if (keeping.state === 'waiting' || keeping.state === 'sending') continue;
    if (keeping.state !== 'conflict') throw new Error(`It is ${keeping.state}.`);
    asked.push(...keeping.collisions.flatMap(({ mine, theirs }) => [mine, theirs]));
    session.resolve(side());
  }
  throw new Error('It never ends.');
}
const never = (): never => {
  throw new Error('Nothing should be asked.');
};

it('what a restored server lost is sent again by the device that knows it, and asked about where another has gone on since', async () => {
  const { server, device } = yard();
  const [phone, tablet] = [await device(), await device()];
  const before = server.copied();
  rename(phone.session, 'a', 'After 3');
  rename(phone.session, 'b', 'Also lost');
  remove(phone.session, 'c');
  await phone.session.flush();
  server.putBack(before);
  // The tablet knew nothing of it, and names the same thing.
  tablet.session.take(server.reply());
  await settle(tablet.session, never);
  rename(tablet.session, 'a', 'Other 3');
  await settle(tablet.session, never);
  const asked = await settle(phone.session, () => 'mine');
  expect(asked).toEqual([bend('a', 'After 3'), bend('a', 'Other 3')]);
  expect(server.elements.map((each) => ('name' in each ? each.name : ''))).toEqual([
    'Yard',
    'After 3',
    'Also lost',
    'd',
  ]);
});

it('an edit on its way is not taken for one of the new epoch, though its numbers fit', async () => {
  const { server, device } = yard();
  const phone = await device();
  const before = server.copied();
  rename(phone.session, 'a', 'One');
  await phone.session.flush();
  server.putBack(before);
  const other = await device();
  rename(other.session, 'a', 'Theirs');
  await other.session.flush();
  // Both are at version 2 now, of two histories.
  rename(phone.session, 'a', 'Two');
  await phone.session.flush();
  expect(phone.session.view.keeping).toMatchObject({ state: 'conflict' });
  expect(server.elementOf('a')).toMatchObject({ name: 'Theirs' });
});

it('a job that began after the copy was made is sent whole, and what it came to meanwhile', async () => {
  const { server, device } = yard();
  const [phone, tablet] = [await device(), await device()];
  const before = server.copied();
  rename(tablet.session, 'd', 'By tablet');
  await tablet.session.flush();
  server.putBack({ ...before, at: '' });
  server.forget();
  rename(phone.session, 'a', 'Named');
  await settle(phone.session, never);
  expect(server.elementOf('a')).toMatchObject({ name: 'Named' });
  // The second device finds it there by another's hand: what differs is asked about.
  expect(await settle(tablet.session, () => 'mine')).toHaveLength(4);
  expect(server.elements.map((each) => ('name' in each ? each.name : ''))).toEqual([
    'Yard',
    'a',
    'b',
    'c',
    'By tablet',
  ]);
});

it('a job that was there when the copy was made, and is gone, was let go: it is not brought back', async () => {
  const { server, device } = yard();
  const phone = await device();
  server.putBack(server.copied());
  server.forget();
  await phone.session.compare();
  await phone.session.flush();
  expect(() => server.reply()).toThrow('There is no such job here.');
});

it('what is kept on the device is laid beside the server also by a page that is opened after it', async () => {
  const { server, device } = yard();
  const phone = await device();
  const before = server.copied();
  rename(phone.session, 'a', 'Lost');
  await phone.session.flush();
  server.putBack(before);
  // The server answers before the device's store does.
  const again = await phone.open();
  await settle(again, never);
  expect(server.elementOf('a')).toMatchObject({ name: 'Lost' });
  expect((await phone.store.load('yard'))!.epoch).toBe(server.epoch);
  expect(await phone.store.ofOtherEpochs(server.epoch)).toEqual([]);
});

/** One edit of a field: what it was when it was made, and what it was made. */
interface Edit {
  id: string;
  was: string;
  to: string;
}

const acts = fc.array(
  fc.record({
    who: fc.nat(2),
    act: fc.constantFrom(
      ...([
        'name',
        'name',
        'name',
        'level',
        'out',
        'in',
        'send',
        'send',
        'send',
        'hear',
        'reload',
        'away',
        'back',
      ] as const),
      ...(['copy', 'put back'] as const),
    ),
    id: fc.constantFrom(...IDS),
  }),
  { maxLength: 70, size: 'max' },
);
const SIDES = ['mine', 'theirs'] as const;

it('three devices, copies made and put back all day, one of them twice and older ones later: nothing is lost unseen', async () => {
  await fc.assert(
    fc.asyncProperty(acts, fc.array(fc.constantFrom(...SIDES), { minLength: 1 }), async (day, sides) => {
      const { server, device } = yard();
      const devices = [await device(), await device(), await device()];
      const away = new Set<number>();
      const edits: Edit[] = [];
      const out: { id: string; seen: string }[] = [];
      const asked: (Element | null)[] = [];
      let k = 0;
      const side = (): 'mine' | 'theirs' => sides[k++ % sides.length]!;
      const copies = [server.copied()];
      for (const { who, act, id } of day) {
        const each = devices[who]!;
        const element = each.session.view.job!.elements.get(id) as Bend | undefined;
        server.reachable = !away.has(who);
        if (act === 'name' && element) {
          const to = `${id}${edits.length + 1}`;
          if (rename(each.session, id, to) === null) edits.push({ id, was: element.name, to });
        } else if (act === 'level' && element)
          each.session.edit({ label: 'x', puts: [{ ...element, groundLevel: edits.length }], removes: [] });
        else if (act === 'out' && element) {
          if (remove(each.session, id) === null) out.push({ id, seen: element.name });
        } else if (act === 'in' && !element) {
          const to = `${id}${edits.length + 1}`;
          each.session.edit({ label: 'In', puts: [bend(id, to)], removes: [] });
          edits.push({ id, was: '', to });
        } else if (act === 'send') {
          await each.session.flush();
          const { keeping } = each.session.view;
          if (keeping.state === 'conflict') {
            asked.push(...keeping.collisions.flatMap(({ mine, theirs }) => [mine, theirs]));
            each.session.resolve(side());
          }
        } else if (act === 'hear' && server.reachable) each.session.take(server.reply());
        else if (act === 'reload') each.session = await each.open();
        else if (act === 'away') away.add(who);
        else if (act === 'back') away.delete(who);
        else if (act === 'copy') copies.push(server.copied());
        else if (act === 'put back') server.putBack(copies[(who * 4 + IDS.indexOf(id)) % copies.length]!);
      }
      server.reachable = true;
      for (const each of devices) asked.push(...(await settle(each.session, side)));
      for (const { session } of devices) session.take(server.reply());
      for (const each of devices) asked.push(...(await settle(each.session, side)));
      const saw = (name: string): boolean =>
        edits.some(({ was }) => was === name) ||
        out.some(({ seen }) => seen === name) ||
        asked.some((element) => element !== null && 'name' in element && element.name === name);
      for (const { to } of edits)
        if (!server.elements.some((element) => 'name' in element && element.name === to))
          expect([to, saw(to)]).toEqual([to, true]);
      // And all of them show what the server has.
      for (const { session } of devices) {
        session.take(server.reply());
        const shown = session.view.job!.elements.all;
        expect(new Map(shown.map((each) => [each.id, each]))).toEqual(
          new Map(jobFrom('yard', server.elements).elements.all.map((each) => [each.id, each])),
        );
      }
    }),
    { numRuns: 250 },
  );
});
