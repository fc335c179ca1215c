import { quillfeather } from '@katabasis/core/samples';
import { toFile } from '@katabasis/core';
import { pdfOf } from '../sheets/set';
import { serve } from '../testing/serve';

const PIXEL =
  'data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';
const COMPANY = {
  name: 'Tarn & Field <Drainage>',
  phone: '555 0142',
  licence: 'D-77',
  terms: 'Half at the start.\nThe rest when water runs.',
  mark: PIXEL,
  ways: { digger: 'trencher', markingTape: false },
  calendar: { crew: 2 },
};

it('the company is said once, stands at the head of every offer at once, and of none of a crew’s papers', async () => {
  const { server } = serve();
  expect((await server.get('/api/company').expect(200)).body).toEqual({ company: {} });
  const { elements } = toFile(quillfeather());
  await server.post('/api/jobs').send({ id: 'clinic', elements }).expect(201);
  const linkOf = async (audience: string): Promise<string> =>
    ((await server.post(`/api/jobs/clinic/shares`).send({ audience }).expect(201)).body as { link: string }).link;
  const [offer, sheet] = [await linkOf('customer'), await linkOf('crew')];
  const pageOf = async (link: string): Promise<string> => (await server.get(new URL(link, 'http://x').pathname)).text;
  expect(await pageOf(offer)).toContain('This offer stands for 30 days');
  await server.put('/api/company').send(COMPANY).expect(204);
  expect((await server.get('/api/company')).body).toEqual({ company: COMPANY });
  const now = await pageOf(offer);
  expect(now).toContain('Tarn &amp; Field &lt;Drainage&gt;');
  expect(now).toContain('Licence D-77');
  expect(now).toContain('The rest when water runs.');
  expect(now).toContain(PIXEL);
  expect(now).not.toContain('This offer stands for 30 days');
  expect(await pageOf(sheet)).not.toContain('Tarn');
});

it.each([
  ['a field that is none', { colour: 'red' }],
  ['a mark that is no picture', { mark: 'data:text/html;base64,PGI+' }],
  ['a way that nobody builds in', { ways: { digger: 'spoon' } }],
  ['a name of a thousand letters', { name: 'x'.repeat(1000) }],
])('refuses %s with a sentence, and keeps what stood', async (_, wrong) => {
  const { server } = serve();
  await server.put('/api/company').send({ name: 'Tarn' }).expect(204);
  const refused = await server.put('/api/company').send(wrong).expect(422);
  expect((refused.body as { title: string }).title).toMatch(/\.$/);
  expect((await server.get('/api/company')).body).toEqual({ company: { name: 'Tarn' } });
});

it('an offer is printed with a mark that cannot be read left out', async () => {
  const broken = { name: 'Tarn', mark: 'data:image/png;base64,AAAA' };
  const made = await pdfOf(quillfeather(), 'quote', { size: 'a4', made: '2026-11-30', company: broken });
  expect(made.subarray(0, 5).toString()).toBe('%PDF-');
});
