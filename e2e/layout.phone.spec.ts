import { expect, type Page } from '@playwright/test';
import { settled, frames } from './lib/settled';
import { test } from './lib/test';
import { quillfeather, situations } from '../core/src/samples';
import type { Element } from '../core/src';
import { putJob } from './lib/jobs';
import { layoutFaults } from './lib/layout';
import { SIDE_PAGES } from './lib/pages';

type Screen = readonly [width: number, height: number];
const SCREENS: readonly Screen[] = [
  [360, 740],
  [390, 844],
  [430, 932],
  [768, 1024],
  [844, 390],
  [1024, 768],
  [1280, 800],
  [1920, 1080],
];
/** The narrowest, one on its side, and one at a desk: where long names and large text tell first. */
const NARROW_AND_WIDE: readonly Screen[] = [
  [360, 740],
  [844, 390],
  [1280, 800],
];
const LONG = 'Kennel wing at the far north-east corner by the old pear tree';

/** The sample with every name 60 characters long. */
const longNamed = (): Element[] =>
  quillfeather().elements.all.map((element) =>
    'name' in element && typeof element.name === 'string' ? { ...element, name: LONG.slice(0, 60) } : element,
  );

/** Every other work in one yard, each with a name of 60 characters. */
const WORKS = ['top', 'berm', 'drain', 'sleeve', 'culvert', 'bed', 'barrel', 'stone', 'pump', 'field'];
const everyWork = (): Element[] => {
  const trial = (name: string): Element[] => situations()[name]!.job.elements.all.filter(({ id }) => id !== 'out');
  const pump: Element = {
    id: 'pump',
    kind: 'discharge',
    name: 'Pump',
    form: 'pump',
    receiving: 'lawn',
    groundLevel: 0,
  };
  const all = new Map<string, Element>();
  for (const name of [
    'layers with a berm, a swale and a drain',
    'a 15 in culvert',
    'a permeable patio',
    'a parking lot that sheds to a door',
    'a soggy yard fed by a spring',
  ])
    for (const element of trial(name))
      if (element.kind !== 'run' || element.to !== 'out') all.set(element.id, { ...element });
  all.set('pump', pump);
  all.set('barrel', { id: 'barrel', kind: 'barrel', name: 'Barrel', groundLevel: 0, volume: 0.2 });
  return [...all.values()].map((element) =>
    'name' in element && element.name !== undefined && element.kind !== 'job'
      ? ({ ...element, name: LONG.slice(0, 60) } as Element)
      : element,
  );
};

/** What is wrong once the page has come to rest: a drawing is laid out anew a moment after its room has changed. */
async function faultsAtRest(page: Page): Promise<string[]> {
  let faults = await layoutFaults(page);
  for (let tries = 0; faults.length > 0 && tries < 4; tries++) {
    await frames(page, 20);
    faults = await layoutFaults(page);
  }
  return faults;
}

/** Brings everything that scrolls to its start or its end; tells whether anything moved. */
const scrollAll = (page: Page, to: 'start' | 'end'): Promise<boolean> =>
  page.evaluate((where) => {
    let moved = false;
    for (const each of document.querySelectorAll('body *'))
      if (each.scrollHeight > each.clientHeight + 4 && /auto|scroll/.test(getComputedStyle(each).overflowY)) {
        const before = each.scrollTop;
        each.scrollTop = where === 'start' ? 0 : each.scrollHeight;
        moved ||= each.scrollTop !== before;
      }
    return moved;
  }, to);

async function look(page: Page, paths: readonly string[], screens: readonly Screen[]): Promise<string[]> {
  const all: string[] = [];
  for (const path of paths) {
    await page.setViewportSize({ width: screens[0]![0], height: screens[0]![1] });
    await page.goto(path);
    await settled(page);
    for (const [width, height] of screens) {
      await page.setViewportSize({ width, height });
      await scrollAll(page, 'start');
      await frames(page, 5);
      for (const fault of await faultsAtRest(page)) all.push(`${path} at ${width} × ${height}: ${fault}`);
      if (!(await scrollAll(page, 'end'))) continue;
      await frames(page, 3);
      for (const fault of await faultsAtRest(page)) all.push(`${path} at ${width} × ${height}, scrolled: ${fault}`);
    }
  }
  return [...new Set(all)];
}

const IN_JOB = [
  'plan',
  'plan?at=trunkLower',
  'plan?at=runDoor',
  'plan?at=wye1',
  'plan?at=job',
  'walk',
  'walk?at=basin',
  'walk?at=kennelDrain',
  'walk?at=faceValley',
  'walk?at=lawn',
  'walk?at=ds3',
  'walk?at=rain',
  'walk?at=swale',
  'walk?at=new',
  'walk?at=find',
  'plan?at=keys',
];
const IN_YARD = [
  'yard',
  'yard?at=new',
  'yard?at=~pace',
  'yard?at=~levels',
  'yard?at=~says',
  'yard?at=~waysOut',
  'yard?at=~files',
  'yard?at=~line',
  'yard?at=roof~clinic',
  'yard?at=clinic',
  'yard?at=wetLawn',
  'yard?at=gas',
  'yard?at=kennelDoor',
  'yard?at=lawnSoil',
  'yard?at=trunkLower',
];
const IN_KEEP = [
  'keep',
  'keep?at=~hose-basin',
  'keep?at=~visit-visitAutumn',
  'keep?at=~new-rain',
  'keep?at=~new-clean',
  'keep?at=~new-camera',
  'keep?at=~new-pitch',
  'keep?at=~care',
  'keep?at=~built',
  'keep?at=~complaints',
  'keep?at=~out',
  'keep?at=~new-jars',
  'keep?at=~warranty',
];
const PAGES = [...SIDE_PAGES, '/job/nowhere/plan'];

test.describe('no words lie over others, none are cut, all can be tapped', () => {
  test('on every screen and sheet', async ({ page }) => {
    expect(await look(page, [...PAGES, ...IN_JOB.map((path) => `/job/quillfeather/${path}`)], SCREENS)).toEqual([]);
  });

  test('where every name has 60 characters, and text is large', async ({ page, request }) => {
    await page.addInitScript(() => localStorage.setItem('katabasis.text', 'large'));
    const id = await putJob(request, longNamed());
    const paths = [...PAGES, ...IN_JOB.map((path) => `/job/${id}/${path}`)];
    expect(await look(page, paths, NARROW_AND_WIDE)).toEqual([]);
  });

  test('on the ground plan and its sheets, with usual and with long names', async ({ page, request }) => {
    const paths = IN_YARD.map((path) => `/job/quillfeather/${path}`);
    expect(await look(page, paths, [...NARROW_AND_WIDE, [1920, 1080]])).toEqual([]);
    const id = await putJob(request, longNamed());
    await page.addInitScript(() => localStorage.setItem('katabasis.text', 'large'));
    expect(
      await look(
        page,
        [`/job/${id}/yard`, `/job/${id}/yard?at=~waysOut`, `/job/${id}/yard?at=clinic`],
        NARROW_AND_WIDE,
      ),
    ).toEqual([]);
  });

  test('where tests, care and what was built are kept, with usual and with long names', async ({ page, request }) => {
    const paths = IN_KEEP.map((path) => `/job/quillfeather-laid/${path}`);
    expect(await look(page, paths, [...NARROW_AND_WIDE, [1920, 1080]])).toEqual([]);
    const id = await putJob(request, longNamed());
    await page.addInitScript(() => localStorage.setItem('katabasis.text', 'large'));
    expect(
      await look(
        page,
        IN_KEEP.filter((path) => !path.includes('visit')).map((path) => `/job/${id}/${path}`),
        NARROW_AND_WIDE,
      ),
    ).toEqual([]);
  });

  test('on the parts and the dig sheet, with usual and with long names', async ({ page, request }) => {
    const views = [
      '',
      '~place',
      '~price',
      '~ways',
      '~proposed',
      '~options',
      '~clear',
      '~days',
      '~dig',
      '~tables',
      '~paper',
    ].map((at) => `build?at=${at}`);
    const samples = ['quillfeather', 'wrenmoor'].flatMap((job) => views.map((view) => `/job/${job}/${view}`));
    expect(await look(page, samples, [...NARROW_AND_WIDE, [1920, 1080]])).toEqual([]);
    const id = await putJob(request, longNamed());
    await page.addInitScript(() => localStorage.setItem('katabasis.text', 'large'));
    expect(
      await look(
        page,
        views.map((view) => `/job/${id}/${view}`),
        NARROW_AND_WIDE,
      ),
    ).toEqual([]);
  });

  test('on the storm’s table and on every other work, with usual and with long names', async ({ page, request }) => {
    const wrenmoor = [
      'storm',
      'plan',
      'walk',
      'yard',
      'yard?at=green',
      'yard?at=pit',
      'yard?at=sleeve',
      'yard?at=soggy',
    ];
    expect(
      await look(
        page,
        ['/job/quillfeather/storm', ...wrenmoor.map((path) => `/job/wrenmoor/${path}`)],
        [...NARROW_AND_WIDE, [1920, 1080]],
      ),
    ).toEqual([]);
    const works = everyWork();
    const id = await putJob(request, works);
    await page.addInitScript(() => localStorage.setItem('katabasis.text', 'large'));
    const sheets = works.filter(({ id: at }) => WORKS.includes(at)).map(({ id: at }) => `/job/${id}/walk?at=${at}`);
    expect(await look(page, [`/job/${id}/storm`, `/job/${id}/plan`, ...sheets], NARROW_AND_WIDE)).toEqual([]);
  });

  test('with nothing in it, out of reach, and with a wrong entry in every box', async ({ page, request, context }) => {
    const head = { ...quillfeather().elements.get('job')!, name: 'Bare yard' };
    const id = await putJob(request, [head]);
    expect(
      await look(
        page,
        [
          `/job/${id}/plan`,
          `/job/${id}/walk`,
          `/job/${id}/yard`,
          `/job/${id}/yard?at=~says`,
          `/job/${id}/storm`,
          `/job/${id}/build`,
          `/job/${id}/walk?at=rain`,
        ],
        NARROW_AND_WIDE,
      ),
    ).toEqual([]);
    await page.setViewportSize({ width: 360, height: 740 });
    for (const path of ['plan?at=trunkLower', 'walk?at=kennelDrain', 'walk?at=basin']) {
      await page.goto(`/job/quillfeather/${path}`);
      for (const box of await page.getByRole('textbox').all()) {
        await box.fill('twelve or so');
        await box.blur();
      }
      expect(await faultsAtRest(page), path).toEqual([]);
    }
    await page.goto('/job/quillfeather/plan');
    await expect(page.getByTestId('verdict')).toBeVisible();
    await context.setOffline(true);
    await page.getByTestId('run-trunkLower').click();
    await page.getByRole('radio', { name: /^8 in/ }).click();
    expect(await faultsAtRest(page)).toEqual([]);
    await context.setOffline(false);
    await page.getByTestId('undo').click();
  });
});
