import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { quillfeather } from '@katabasis/core/samples';
import { serve } from '../testing/serve';

it('tells every page that listens of a change, and of the list once for several', async () => {
  const { app, store, close } = serve();
  const listening: Server = createServer(app.callback());
  await new Promise<void>((done) => listening.listen(0, '127.0.0.1', done));
  const base = `http://127.0.0.1:${(listening.address() as AddressInfo).port}`;
  store.create({ ...quillfeather(), id: 'clinic' });
  const leaving = new AbortController();
  const heard = await fetch(`${base}/api/events`, { signal: leaving.signal });
  expect([heard.status, heard.headers.get('content-type')]).toEqual([200, 'text/event-stream']);
  const wye = quillfeather().elements.get('wye2')!;
  for (const name of ['One', 'Two']) {
    const base1 = store.read('clinic').elements.find(({ element }) => element.id === 'wye2')!.version;
    const body = {
      change: `change-${name}`,
      label: 'x',
      puts: [{ base: base1, element: { ...wye, name } }],
      removes: [],
    };
    await fetch(`${base}/api/jobs/clinic/changes`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    });
  }
  let told = '';
  const reader = heard.body!.getReader();
  while (!told.includes('listed')) told += new TextDecoder().decode((await reader.read()).value);
  const news = [...told.matchAll(/^data:(.*)$/gm)].map(([, data]) => JSON.parse(data!) as unknown);
  expect(news).toEqual([
    { news: 'changed', job: 'clinic', seq: 1, change: 'change-One' },
    { news: 'changed', job: 'clinic', seq: 2, change: 'change-Two' },
    { news: 'listed' },
  ]);
  leaving.abort();
  close();
  listening.closeAllConnections();
  await new Promise((done) => listening.close(done));
});
