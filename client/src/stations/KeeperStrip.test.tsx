import { act, screen } from '@testing-library/react';
import { put, type Change, type Element } from '@katabasis/core';
import { type Api } from '../sync/api';
import { Refused, Unreachable } from '../sync/ask';
import { openJob, sampleWith, seen, type Opened } from '../testing/openJob';
import { KeeperStrip } from './KeeperStrip';

const named = (name: string): Element => ({ ...sampleWith().elements.get('basin')!, name }) as Element;
const rename = (name: string): Change => put('Name the basin', named(name));

/** A server that answers each change in turn. */
function serverOf(
  ...answers: (() => Promise<{ seq: number; versions: Record<string, number> }>)[]
): Api & { asked: number } {
  const server = {
    asked: 0,
    beside: () => new Promise<never>(() => undefined),
    create: () => new Promise<never>(() => undefined),
    restore: jest.fn(async () => undefined),
    change: () => answers[Math.min(server.asked++, answers.length - 1)]!(),
  };
  return server;
}

const away = (): Promise<never> => Promise.reject(new Unreachable('nobody'));
const taken = (): Promise<{ seq: number; versions: Record<string, number> }> =>
  Promise.resolve({ seq: 9, versions: { basin: 5 } });
const stale = (): Promise<never> =>
  Promise.reject(
    new Refused({
      type: 'about:blank',
      title: 'Changed meanwhile',
      status: 409,
      conflicts: [{ id: 'basin', version: 4, element: named('Their basin') }],
    }),
  );
const bad = (): Promise<never> =>
  Promise.reject(new Refused({ type: 'about:blank', title: 'The job has too many elements.', status: 422 }));

/** Does something and waits until the server has answered. */
const settle = (what: () => void): Promise<void> =>
  act(async () => {
    what();
    await new Promise((done) => setTimeout(done, 5));
  });

async function after(server: Api, name = 'My basin'): Promise<Opened> {
  const open = openJob(sampleWith(), <KeeperStrip />, server);
  await settle(() => void open.session.edit(rename(name)));
  return open;
}

it('says nothing when all is kept', async () => {
  await after(serverOf(taken));
  expect(seen()).toBe('');
});

it('says that changes wait on this device when nobody answers, and sends them when told to', async () => {
  const server = serverOf(away, taken);
  const open = await after(server);
  expect(screen.getByRole('status').textContent).toContain(
    'The server is out of reach. One change is kept on this device and will be sent.',
  );
  expect(open.job().elements.get('basin')).toMatchObject({ name: 'My basin' });
  await settle(() => screen.getByRole('button', { name: 'Try now' }).click());
  expect(server.asked).toBe(2);
  expect(seen()).toBe('');
});

it('shows both sides when another device changed the same thing; mine goes over theirs', async () => {
  const server = serverOf(stale, taken);
  const open = await after(server);
  expect(screen.getByRole('alert').textContent).toContain(
    'Another device changed Their basin meanwhile.Yours: “Name the basin”. Keep yours over it, or take theirs?',
  );
  await settle(() => screen.getByRole('button', { name: 'Keep mine' }).click());
  expect(server.asked).toBe(2);
  expect(open.job().elements.get('basin')).toMatchObject({ name: 'My basin' });
  expect(seen()).toBe('');
});

it('or theirs is taken, and nothing is sent', async () => {
  const server = serverOf(stale, taken);
  const open = await after(server);
  await settle(() => screen.getByRole('button', { name: 'Take theirs' }).click());
  expect(server.asked).toBe(1);
  expect(open.job().elements.get('basin')).toMatchObject({ name: 'Their basin' });
});

it('says in words what the server will not take, and gives it up only when told to', async () => {
  const open = await after(serverOf(bad));
  expect(screen.getByRole('alert').textContent).toContain(
    '“Name the basin” could not be saved: The job has too many elements.',
  );
  expect(open.job().elements.get('basin')).toMatchObject({ name: 'My basin' });
  await settle(() => screen.getByRole('button', { name: 'Give that change up' }).click());
  expect(open.job().elements.get('basin')).toMatchObject({ name: 'Lawn basin' });
});

it('brings a job back that another device took out, and sends what waited', async () => {
  const gone = (): Promise<never> =>
    Promise.reject(new Refused({ type: 'about:blank', title: 'There is no such job here.', status: 404 }));
  const server = serverOf(gone, taken);
  const open = await after(server);
  expect(screen.getByRole('alert')).toHaveTextContent('Another device took this job out. “Name the basin”');
  await settle(() => screen.getByRole('button', { name: 'Bring the job back' }).click());
  expect(server.restore).toHaveBeenCalledWith('test');
  expect([seen(), open.session.view.keeping.state]).toEqual(['', 'kept']);
});

it('asks before an undo takes back what another device did since', async () => {
  const later = () => Promise.resolve({ seq: 13, versions: { basin: 14 } });
  const open = await after(serverOf(taken, later));
  const all = open.job().elements.all;
  const reply = all.map((element) => ({
    version: element.id === 'basin' ? 12 : 1,
    element: element.id === 'basin' ? named('Their basin') : element,
  }));
  await settle(() => open.session.take({ id: 'test', epoch: '', seq: 12, createdAt: '', elements: reply }));
  await settle(() => open.session.undo());
  expect(screen.getByRole('alert')).toHaveTextContent(
    'Since “Name the basin”, another device changed the name of Their basin.',
  );
  await settle(() => screen.getByRole('button', { name: 'Undo mine all the same' }).click());
  expect(open.job().elements.get('basin')).toMatchObject({
    name: (sampleWith().elements.get('basin') as { name: string }).name,
  });
});
