import fc from 'fast-check';
import { quillfeather } from '@katabasis/core/samples';
import type { ChangeBody, Element, JobReply } from '@katabasis/core';
import { type Api } from './api';
import { Refused, Unreachable } from './ask';
import { MemoryStore } from './device/memoryStore';
import { Session } from './session';

const elements = (): Element[] => [...quillfeather().elements];
const reply = (seq = 0): JobReply => ({
  id: 'clinic',
  epoch: 'e1',
  seq,
  createdAt: '',
  elements: elements().map((element) => ({ version: 1, element })),
});
const name = (text: string) => ({
  label: `Name it ${text}`,
  puts: [{ id: 'wye2', kind: 'junction', form: 'wye', name: text, groundLevel: -0.27 } as Element],
  removes: [],
});

function setUp() {
  const store = new MemoryStore(true);
  const sent: ChangeBody[] = [];
  let seq = 0;
  const server = { down: false, refuse: null as Refused | null };
  const api: Api = {
    beside: () => Promise.reject(new Unreachable('down')),
    create: async () => reply(),
    restore: async () => undefined,
    change: async (_, body) => {
      if (server.down) throw new Unreachable('down');
      if (server.refuse) throw server.refuse;
      sent.push(body);
      seq = Math.max(seq + 1, ...body.puts.map(({ base }) => base));
      return { seq, versions: Object.fromEntries(body.puts.map(({ element }) => [element.id, seq + 1])) };
    },
  };
  let count = 0;
  const open = async (): Promise<Session> => {
    const needs = {
      store,
      api,
      newId: (stem: string) => `${stem}-${count++}`,
      tellPages: () => undefined,
      onSaved: () => undefined,
      onBehind: () => undefined,
    };
    const session = new Session('clinic', needs);
    await session.ready;
    session.take(reply());
    return session;
  };
  return { store, sent, server, open };
}

const wyeName = (session: Session): unknown => (session.view.job!.elements.get('wye2') as { name: string }).name;

it('shows a change at once, sends it, and follows with the version that the server gave', async () => {
  const { sent, open } = setUp();
  const session = await open();
  expect(session.edit(name('One'))).toBeNull();
  expect(wyeName(session)).toBe('One');
  await session.flush();
  session.edit(name('Two'));
  await session.flush();
  expect(sent.map(({ puts }) => puts[0]!.base)).toEqual([1, 2]);
  expect(session.view.keeping.state).toBe('kept');
});

it('gives the very job again when a step is taken back, or made again: what was worked out of it is not worked out anew', async () => {
  const session = await (await setUp()).open();
  const jobs = [session.view.job];
  session.edit(name('One'));
  jobs.push(session.view.job);
  session.edit({ label: 'Take it out', puts: [], removes: ['pear'] });
  session.edit(name('Two'));
  await session.flush();
  session.undo();
  session.undo();
  expect(session.view.job).toBe(jobs[1]);
  session.undo();
  await session.flush();
  expect(session.view.job).toBe(jobs[0]);
  session.redo();
  expect(session.view.job).toBe(jobs[1]);
});

it('keeps changes through a closed page and sends them in order when the server is back', async () => {
  const { sent, server, open } = setUp();
  server.down = true;
  const first = await open();
  first.edit(name('One'));
  first.edit(name('Two'));
  await first.flush();
  expect(first.view.keeping).toEqual({ state: 'waiting', count: 2, held: null, why: null });
  server.down = false;
  const second = await open();
  expect(wyeName(second)).toBe('Two');
  await second.flush();
  expect(sent.map(({ label }) => label)).toEqual(['Name it One', 'Name it Two']);
  expect(sent[1]!.puts[0]!.base).toBe(2);
});

it('undoes and redoes', async () => {
  const session = await setUp().open();
  session.edit(name('One'));
  session.edit(name('Two'));
  session.undo();
  expect(wyeName(session)).toBe('One');
  session.undo();
  expect(wyeName(session)).toBe('Wye 2');
  expect(session.view).toMatchObject({ undoLabel: null, redoLabel: 'Name it One' });
  session.redo();
  expect(wyeName(session)).toBe('One');
  session.edit(name('Three'));
  expect(session.view.redoLabel).toBeNull();
});

it('previews without making, and gives the same job back when the preview is off', async () => {
  const { sent, open } = setUp();
  const session = await open();
  const before = session.view.job;
  session.preview(name('Held'));
  expect(session.moving).toBe(true);
  expect((session.shown!.elements.get('wye2') as { name: string }).name).toBe('Held');
  expect(session.view.job).toBe(before);
  session.preview(null);
  expect(session.shown).toBe(before);
  expect(sent).toEqual([]);
});

it.each([
  ['mine', 'Mine'],
  ['theirs', 'Theirs'],
] as const)('on a conflict keeps %s', async (side, wanted) => {
  const { sent, server, open } = setUp();
  const session = await open();
  const theirs = name('Theirs').puts[0]!;
  server.refuse = new Refused({
    type: 'about:blank',
    title: 'Somebody else changed this meanwhile.',
    status: 409,
    conflicts: [{ id: 'wye2', version: 7, element: theirs }],
  });
  session.edit(name('Mine'));
  await session.flush();
  expect(session.view.keeping).toMatchObject({ state: 'conflict', label: 'Name it Mine' });
  server.refuse = null;
  session.resolve(side);
  await session.flush();
  expect(wyeName(session)).toBe(wanted);
  expect(sent.map(({ puts }) => puts[0]!.base)).toEqual(side === 'mine' ? [7] : []);
});

it('says why the server refused a change, and goes on when it is given up', async () => {
  const { server, open } = setUp();
  const session = await open();
  server.refuse = new Refused({ type: 'about:blank', title: 'That change would break the job.', status: 422 });
  session.edit(name('One'));
  await session.flush();
  expect(session.view.keeping).toMatchObject({ state: 'refused', sentence: 'That change would break the job.' });
  server.refuse = null;
  session.dropRefused();
  expect(wyeName(session)).toBe('Wye 2');
  expect(session.view.keeping.state).toBe('kept');
});

it('refuses, with a sentence, what could not be saved, and changes nothing', async () => {
  const { store, open } = setUp();
  const session = await open();
  expect(session.edit({ label: 'Cut', puts: [], removes: ['wye2'] })).toMatch(/points to "wye2"/);
  expect(
    session.edit({ label: 'Deep', puts: [{ ...name('x').puts[0]!, groundLevel: Number.NaN } as Element], removes: [] }),
  ).toMatch(/groundLevel must be a finite number/);
  expect((await store.load('clinic'))!.waiting).toEqual([]);
});

it('holds changes on the page when the device has no room, and says so', async () => {
  const { store, server, open } = setUp();
  const session = await open();
  server.down = true;
  store.full = true;
  session.edit(name('One'));
  await session.flush();
  expect(session.view.keeping).toEqual({ state: 'waiting', count: 1, held: 'failed', why: null });
  expect(wyeName(session)).toBe('One');
  store.full = false;
  server.down = false;
  await session.flush();
  expect((await store.load('clinic'))!.waiting).toEqual([]);
});

/** What a contractor does in a bad yard: edits, undoes, redoes, loses and finds the server, closes the page. */
const acts = fc.array(
  fc.oneof(
    fc.record({ act: fc.constant('edit' as const), name: fc.constantFrom('A', 'B', 'C', 'D') }),
    fc.record({
      act: fc.constantFrom(
        'undo' as const,
        'redo' as const,
        'lose' as const,
        'find' as const,
        'close' as const,
        'send' as const,
      ),
    }),
  ),
  { maxLength: 25 },
);

/** A sending that was on its way when the server was lost fails first; the next one goes through. */
async function sendAll(session: Session): Promise<void> {
  await session.flush();
  await session.flush();
}

it('ends with the server holding just what the page shows, whatever happened on the way', async () => {
  await fc.assert(
    fc.asyncProperty(acts, async (list) => {
      const { sent, server, open } = setUp();
      let session = await open();
      for (const each of list) {
        if (each.act === 'edit') session.edit(name(each.name));
        else if (each.act === 'undo') session.undo();
        else if (each.act === 'redo') session.redo();
        else if (each.act === 'lose') server.down = true;
        else if (each.act === 'find') server.down = false;
        else if (each.act === 'close') {
          const shown = wyeName(session);
          server.down = true;
          await session.flush();
          session = await open();
          // What was shown before the page was closed is shown when it is opened, sent or not.
          const onServer = sent.at(-1)?.puts[0]?.element as { name: string } | undefined;
          if (session.view.keeping.state === 'waiting' || session.view.keeping.state === 'sending')
            expect(wyeName(session)).toBe(shown);
          else expect([onServer?.name ?? 'Wye 2']).toEqual([shown]);
          server.down = false;
          await sendAll(session);
          session.take({
            ...reply(sent.length),
            elements: reply().elements.map((row) =>
              row.element.id === 'wye2' ? { version: sent.length + 1, element: name(String(shown)).puts[0]! } : row,
            ),
          });
        } else await session.flush();
      }
      server.down = false;
      await sendAll(session);
      const last = sent.at(-1)?.puts[0]?.element as { name: string } | undefined;
      expect(last?.name ?? 'Wye 2').toBe(wyeName(session));
      expect(session.view.keeping.state).toBe('kept');
      // Each change was made against the version that the one before it left.
      sent.forEach((body, k) => expect(body.puts[0]!.base).toBe(k + 1));
    }),
    { numRuns: 60 },
  );
});

it('what one change puts in stands in that order when the page is opened again without signal', async () => {
  const { store, server, open } = setUp();
  const first = await open();
  const wye = (id: string): Element => ({ id, kind: 'junction', form: 'wye', name: id, groundLevel: 0 });
  first.edit({ label: 'Put two in', puts: [wye('zz'), wye('aa')], removes: [] });
  await first.flush();
  const [zz, aa] = (await store.load('clinic'))!.elements.slice(-2);
  expect([zz!.element.id, aa!.element.id, aa!.place - zz!.place]).toEqual(['zz', 'aa', 1]);
  server.down = true;
  const again = await open();
  expect(again.view.job!.elements.all.slice(-2).map(({ id }) => id)).toEqual(['zz', 'aa']);
  expect(again.view.job!.elements.all).toEqual(first.view.job!.elements.all);
});

it('a change made while another page’s news is read comes after those that wait', async () => {
  const { store, server, sent, open } = setUp();
  server.down = true;
  const session = await open();
  session.edit(name('One'));
  session.edit(name('Two'));
  await session.flush();
  session.follow({ news: 'other' });
  session.edit(name('Three'));
  const orders = (await store.load('clinic'))!.waiting.map(({ label, order }) => [label, order]);
  expect(orders).toEqual([
    ['Name it One', 1],
    ['Name it Two', 2],
    ['Name it Three', 3],
  ]);
  await new Promise((done) => setTimeout(done, 0));
  expect(wyeName(session)).toBe('Three');
  server.down = false;
  await session.flush();
  expect(sent.map(({ label }) => label)).toEqual(['Name it One', 'Name it Two', 'Name it Three']);
});

describe('steps of undo', () => {
  const put = (label: string, ...puts: Element[]) => ({ label, puts, removes: [] });
  const wye2 = (session: Session) => session.view.job!.elements.get('wye2') as { name: string; groundLevel: number };
  /** What another device's change makes of the job, as the server then tells it. */
  const theirs = (seq: number, change: Partial<Record<string, unknown>>): JobReply => ({
    ...reply(seq),
    elements: elements().map((element) =>
      element.id === 'wye2'
        ? { version: seq + 1, element: { ...element, ...change } as Element }
        : { version: 1, element },
    ),
  });

  it('survive a reload, and bring back order', async () => {
    const { open } = setUp();
    const first = await open();
    const order = first.view.job!.elements.all.map(({ id }) => id);
    const face = first.view.job!.elements.ofKind('roofFace')[0]!.id;
    first.edit({ label: 'Take the face out', puts: [], removes: [face] });
    first.edit(name('One'));
    first.undo();
    await first.flush();
    const second = await open();
    expect([second.view.undoLabel, second.view.redoLabel]).toEqual(['Take the face out', 'Name it One']);
    second.redo();
    expect(wyeName(second)).toBe('One');
    second.undo();
    second.undo();
    await second.flush();
    expect(second.view.job!.elements.all.map(({ id }) => id)).toEqual(order);
    const third = await open();
    expect(third.view.job!.elements.all.map(({ id }) => id)).toEqual(order);
    expect(third.view.undoLabel).toBeNull();
  });

  it('leave another device’s level alone when my rename is undone', async () => {
    const { open } = setUp();
    const session = await open();
    session.edit(put('Rename', { ...wye2(session), name: 'One' } as unknown as Element));
    await session.flush();
    session.take(theirs(2, { name: 'One', groundLevel: -0.5 }));
    session.undo();
    expect(wye2(session)).toMatchObject({ name: 'Wye 2', groundLevel: -0.5 });
    expect(session.view.asking).toBeNull();
  });

  it('ask where somebody else has renamed it since, and do as they are told', async () => {
    const { open } = setUp();
    const session = await open();
    session.edit(put('Level', { ...wye2(session), groundLevel: -0.4 } as unknown as Element));
    session.edit(name('One'));
    await session.flush();
    session.take(theirs(5, { name: 'Theirs', groundLevel: -0.4 }));
    session.undo();
    expect(session.view.asking).toMatchObject({
      word: 'Undo',
      label: 'Name it One',
      differing: [{ id: 'wye2', field: 'name' }],
    });
    expect(wyeName(session)).toBe('Theirs');
    session.leaveStep();
    expect([session.view.asking, session.view.undoLabel]).toEqual([null, 'Level']);
    session.edit(name('Two'));
    await session.flush();
    session.take(theirs(9, { name: 'Again', groundLevel: -0.4 }));
    session.undo();
    session.undo(true);
    expect(wyeName(session)).toBe('Theirs');
  });
});

it('ids that every object knows by its prototype are ids like any other', async () => {
  const { sent, open } = setUp();
  const session = await open();
  const ids = ['constructor', 'toString', 'valueOf', 'hasOwnProperty', 'isPrototypeOf'];
  for (const id of ids)
    session.edit({
      label: 'Put',
      puts: [{ id, kind: 'junction', form: 'bend', name: id, groundLevel: 0 }],
      removes: [],
    });
  for (const id of ids)
    session.edit({
      label: 'Put',
      puts: [{ id, kind: 'junction', form: 'bend', name: 'x', groundLevel: 0 }],
      removes: [],
    });
  session.edit({ label: 'Out', puts: [], removes: [ids[0]!] });
  await session.flush();
  const bases = sent.flatMap(({ puts, removes }) => [...puts, ...removes]).map(({ base }) => base);
  expect(bases).toEqual([0, 0, 0, 0, 0, 2, 3, 4, 5, 6, 7]);
  expect(session.view.keeping.state).toBe('kept');
});

it('opens from the server where what the device keeps cannot be read, says that nothing is kept there, and goes on', async () => {
  const { store, sent, open } = setUp();
  store.load = () => Promise.reject(new Error('the disk is bad'));
  store.keep = () => Promise.reject(new Error('the disk is bad'));
  const session = await open();
  expect(wyeName(session)).toBe('Wye 2');
  expect(session.edit(name('One'))).toBeNull();
  expect([wyeName(session), session.view.keepsNothing]).toEqual(['One', true]);
  await session.flush();
  expect(sent.map(({ label }) => label)).toEqual(['Name it One']);
  session.undo();
  expect(wyeName(session)).toBe('Wye 2');
  await session.flush();
  expect(session.view.keeping.state).toBe('kept');
});

it('what the device keeps is read again where this page wrote to it meanwhile', async () => {
  const { store, sent, open } = setUp();
  const session = await open();
  const load = store.load.bind(store);
  let reads = 0;
  store.load = async (job) => {
    const snapshot = await load(job);
    // The first reading takes its time; a change is made, sent and done with before it comes.
    if (reads++ === 0) session.edit(name('Meanwhile'));
    await session.flush();
    return snapshot;
  };
  session.follow({ news: 'other' });
  await new Promise((done) => setTimeout(done, 20));
  await session.flush();
  expect([reads > 1, sent.length, wyeName(session)]).toEqual([true, 1, 'Meanwhile']);
});
