// Times the real interface on a phone four times slower: a landing dragged on the sample, pointer to picture, and an edit of a yard of 5,000 elements with 500 changes waiting.
import { makeJob, withPages } from './lib/served.mjs';
import { at, rising, told } from './lib/times.mjs';
import { slowDown, SLOWER, watch } from './lib/toPicture.mjs';

const ROUNDS = 3;
const WAITING = 500;
const EDITS = 20;

async function drag(page, x, y) {
  await page.evaluate(() => void (globalThis.toPicture.length = 0));
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let k = 1; k <= 60; k++) {
    await page.mouse.move(x, y + 30 * Math.sin(k / 6) + 12);
    await page.waitForTimeout(25);
  }
  const times = await page.evaluate(() => [...globalThis.toPicture]);
  await page.mouse.move(x, y, { steps: 3 });
  await page.mouse.up();
  return rising(times);
}

/** The best of some rounds after one that warms up: the machine is shared, and what else runs on it only ever adds. */
async function best(page, place, after) {
  await watch(page, 'pointermove');
  await slowDown(page);
  let least = null;
  for (let round = 0; round <= ROUNDS; round++) {
    const times = await drag(page, ...(await place()));
    if (round > 0 && (least === null || at(times, 0.95) < at(least, 0.95))) least = times;
    await after();
  }
  return least;
}

/** A page that does nothing but move one box and change one word: what this browser on this machine needs at least. */
const BARE = `<body style="margin:0"><div id="box" style="position:absolute;top:0">0</div><script>addEventListener('pointermove', (event) => { box.style.top = event.clientY + 'px'; box.textContent = event.clientY; });</script>`;

async function dragging(context, base) {
  const bare = await context.newPage();
  await bare.setContent(BARE);
  const empty = await best(
    bare,
    async () => [200, 400],
    async () => undefined,
  );
  await bare.close();
  const page = await context.newPage();
  await page.goto(`${base}/job/quillfeather/plan`);
  const handle = page.getByTestId('handle-wye1');
  await handle.scrollIntoViewIfNeeded();
  const ours = await best(
    page,
    async () => {
      const box = await handle.boundingBox();
      return [box.x + box.width / 2, box.y + box.height / 2];
    },
    async () => {
      await page.getByTestId('undo').click();
      // What is drawn later stands above the handle, and moves it.
      await page.waitForTimeout(700);
    },
  );
  await page.close();
  console.log(
    `a landing dragged on the sample, ${SLOWER} times slower, pointer to picture: ${told(ours)}; an empty page: ${told(empty)}; ratio ${(at(ours, 0.95) / at(empty, 0.95)).toFixed(1)}`,
  );
}

/** Puts changes behind one another on the device, as a week without signal would. */
const waitingChanges = (page, job, count) =>
  page.evaluate(
    ([id, many]) =>
      new Promise((done, fail) => {
        const opening = indexedDB.open('katabasis');
        opening.onsuccess = () => {
          const tx = opening.result.transaction('changes', 'readwrite');
          for (let k = 1; k <= many; k++)
            tx.objectStore('changes').put({
              job: id,
              order: k,
              change: `bench-change-${k}`,
              label: 'Name it',
              puts: [{ id: 'bed7', kind: 'surface', name: `Bed ${k}`, cover: 'mulch', area: 0.5, feeds: [] }],
              removes: [],
              bases: k === 1 ? { bed7: 1 } : {},
            });
          tx.oncomplete = () => (opening.result.close(), done());
          tx.onerror = () => fail(tx.error);
        };
      }),
    [job, count],
  );

async function editing(context, base) {
  const { largeYard } = await import('../server/dist/randomJobs.mjs');
  const elements = largeYard(200, 5000).elements.all;
  const job = 'benchyard';
  await makeJob(base, job, elements);
  const first = await context.newPage();
  await first.goto(`${base}/job/${job}/walk?at=bed8`);
  await first.getByTestId('verdict').waitFor();
  await waitingChanges(first, job, WAITING);
  await first.close();
  const page = await context.newPage();
  await page.route('**/api/**', (route) => route.abort());
  await page.goto(`${base}/job/${job}/walk?at=bed8`);
  const box = page.getByRole('textbox', { name: 'Name' });
  await box.waitFor();
  await page.evaluate(() => performance.clearMeasures());
  for (let k = 0; k < EDITS; k++) {
    await box.fill(`Bed, edit ${k}`);
    await box.press('Enter');
    await page.getByRole('heading', { name: `Bed, edit ${k}`, level: 2 }).waitFor();
  }
  const measured = (name) =>
    page.evaluate((of) => performance.getEntriesByName(of).map(({ duration }) => duration), name).then(rising);
  const [shown, kept] = [await measured('katabasis.made'), await measured('katabasis.kept')];
  await page.close();
  console.log(
    `an edit of ${elements.length} elements with ${WAITING} changes waiting: made and given to the store ${told(shown)}; on the device ${told(kept)}`,
  );
}

await withPages(4897, async (browser, base) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  await dragging(context, base);
  await editing(context, base);
});
