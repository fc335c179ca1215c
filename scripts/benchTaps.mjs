// Times the real interface on a phone four times slower: a bare finger's tap to the changed picture, on the sample and on a job of 60 runs.
import { atOwnPace, ownPace } from './lib/pace.mjs';
import { makeJob, withPages } from './lib/served.mjs';
import { rising, told } from './lib/times.mjs';
import { slowDown, SLOWER, tapsOn, watch } from './lib/toPicture.mjs';

/** What a tap changes: the descent or the verdict; and the chips of a sheet. */
const PICTURE = '[data-testid=verdict], [role=list]';
const CHIPS = '[role=radio]';
/** Of each kind, taps at the machine's own pace that suffice, and taps that are made at most. */
const ENOUGH = 20;
const MOST = 60;
/** Longest that one row of taps goes on, ms: four of them and what lies between end within five minutes. */
const LONGEST = 50_000;

const own = (taps) => taps.filter(({ pace }) => atOwnPace(pace));
const toldOf = (taps) => {
  const times = (some) => `${some.length === 0 ? 'none' : told(rising(some.map(({ time }) => time)))} (${some.length})`;
  return `${times(own(taps))}; all: ${times(taps)}`;
};
const tellAll = (called, taps) => {
  console.log(`${called}, ${SLOWER} times slower, tap to changed picture, at the machine's own pace:`);
  for (const [what, some] of Object.entries(taps)) console.log(`  ${what}: ${toldOf(some)}`);
};

/** Taps in turn, until enough of each of them were at the machine's own pace. */
async function untilEnough(taps, each) {
  const until = Date.now() + LONGEST;
  for (let k = 0; k < MOST && Date.now() < until && taps.some((some) => own(some).length < ENOUGH); k++) await each(k);
}

/**
 * Sizes of one run tapped in turn, each undone; and the job's fix applied and undone. A size has two pictures: the descent or the verdict, and
 * the chip itself that was tapped.
 */
async function tapping(context, address, run, called) {
  const page = await context.newPage();
  await page.goto(`${address}?at=${run}`);
  const chip = (size) => page.getByRole('radio', { name: new RegExp(`^${size} in`) });
  await chip(8).waitFor();
  await page.waitForTimeout(3000);
  await watch(page, 'pointerup', PICTURE);
  await watch(page, 'pointerup', CHIPS, 'toMark');
  await slowDown(page);
  const all = { 'a size': [], 'its chip': [], 'its undo': [], 'a fix': [], 'its undo, no sheet open': [] };
  const timed = await tapsOn(page, ['toPicture', 'toMark']);
  const tap = async (place, pictures, marks) => {
    const { toPicture, toMark } = await timed(place);
    all[pictures].push(...toPicture);
    if (marks) all[marks].push(...toMark);
  };
  await untilEnough([all['a size'], all['its undo']], async (k) => {
    await tap(chip(k % 2 === 0 ? 8 : 10), 'a size', 'its chip');
    await tap(page.getByTestId('undo'), 'its undo');
  });
  // Told as it goes too: the machine's own pace may yet be found to be a better one.
  tellAll(`${called}, so far`, { 'a size': all['a size'], 'its chip': all['its chip'], 'its undo': all['its undo'] });
  await page.getByRole('button', { name: 'Close' }).tap();
  const fix = page.locator('[data-testid^=fix-]').first();
  await fix.waitFor();
  await untilEnough([all['a fix'], all['its undo, no sheet open']], async () => {
    await tap(fix, 'a fix');
    await tap(page.getByTestId('undo'), 'its undo, no sheet open');
    await fix.waitFor();
  });
  await page.close();
  tellAll(`${called}, so far`, all);
  return () => tellAll(called, all);
}

const BARE = `<button style="width:200px;height:80px" onclick="this.textContent = Number(this.textContent) + 1">0</button>`;

/** The same tap on a page that changes one word: what this browser on this machine needs at least. */
async function bareTap(context) {
  const page = await context.newPage();
  await page.setContent(BARE);
  await watch(page, 'pointerup');
  await slowDown(page);
  const timed = await tapsOn(page, ['toPicture']);
  const taps = [];
  for (let k = 0; k < ENOUGH; k++) {
    taps.push(...(await timed(page.getByRole('button'))).toPicture);
  }
  await page.close();
  return () => tellAll('an empty page', { 'a word': taps });
}

await withPages(4897, async (browser, base) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const tell = [await bareTap(context)];
  tell.push(await tapping(context, `${base}/job/quillfeather/plan`, 'trunkLower', 'the sample'));
  const { largeYard } = await import('../server/dist/randomJobs.mjs');
  const elements = largeYard(60, 300).elements.all.map((element) =>
    element.kind === 'job' ? { ...element, units: 'us' } : element,
  );
  await makeJob(base, 'benchsixty', elements);
  const run = elements.filter(({ kind }) => kind === 'run')[30].id;
  tell.push(await tapping(context, `${base}/job/benchsixty/plan`, run, 'a job of 60 runs'));
  // Told last: only then is it known what the machine's own pace is.
  for (const one of tell) one();
});
console.log(`the machine’s own pace: ${ownPace().toFixed(1)} ms for a fixed piece of work`);
