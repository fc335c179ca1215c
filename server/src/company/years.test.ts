import { toFile, type Ledger } from '@katabasis/core';
import { quillfeather, quillfeatherLaid } from '@katabasis/core/samples';
import { serve } from '../testing/serve';

it('a job that is settled stands in the ledger and in its year, on paper and as a table; one that tells of nothing does not', async () => {
  const { server } = serve();
  for (const job of [quillfeather(), quillfeatherLaid()])
    await server
      .post('/api/jobs')
      .send({ id: job.id, elements: toFile(job).elements })
      .expect(201);
  const ledger = async (): Promise<Ledger> => (await server.get('/api/jobs/ledger').expect(200)).body as Ledger;
  let now = await ledger();
  for (let tries = 0; now.pending > 0 && tries < 100; tries++) {
    await new Promise((done) => setTimeout(done, 50));
    now = await ledger();
  }
  expect(now.jobs.map(({ id }) => id)).toEqual(['quillfeather-laid']);
  const table = (await server.get('/api/years/2025.csv').expect(200)).text;
  expect(table.split('\r\n')[1]).toContain('"The clinic, a year on",2025-12-12,"$10,900.00"');
  const paper = await server.get('/api/years/2025.pdf?paper=a4').buffer(true).expect(200);
  expect((paper.body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
  // A year in which nothing was done is an empty page, and what is no year is none.
  await server.get('/api/years/1999.pdf').expect(200);
  await server.get('/api/years/2025.exe').expect(404);
  await server.get('/api/years/20255.pdf').expect(404);
});
