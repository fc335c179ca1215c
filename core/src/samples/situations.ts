/**
 * Twelve situations of the trade as jobs, each with what a contractor would expect of its plan. Invented yards in feet, 6 in/h of rain
 * unless another is given; levels from a zero at the house.
 */
import type { Job } from '../job/job';
import type { Discharge, Element } from '../job/kinds';
import {
  basin,
  channel,
  cleanout,
  ft,
  ft2,
  gpm,
  inch,
  jobOf,
  lawn,
  pipe,
  roof,
  sound,
  spout,
  swale,
  told,
  type Situation,
} from './yardParts';
import { worksSituations } from './worksSituations';

export type { Situation };

const intoMain = (used: number): Job =>
  jobOf(
    `splice-${used}`,
    `Yard basin spliced into an old 8 in main that carries ${used} gpm`,
    lawn('a', 3000),
    basin('a', 0, { sumpDepth: inch(6) }),
    pipe('a', 'out', 60, 4),
    {
      id: 'out',
      kind: 'discharge',
      name: 'Old main',
      form: 'main',
      receiving: 'street',
      groundLevel: ft(-0.5),
      controlLevel: ft(-3.2),
      mainDiameter: inch(8),
      mainPitch: 0.01,
      mainMaterial: 'clay',
      mainUsed: gpm(used),
      buildingDistance: ft(40),
    },
  );

/** Three downspouts of 700 ft² one after another: 41 gpm each, so 41, 83 and 124 gpm down the trunk. */
const threeDownspouts = (last: number): Job =>
  jobOf(
    `trunk-${last}`,
    `Trunk with three downspouts, ${last} in at its end`,
    roof('a', 700),
    spout('a', 0),
    pipe('a', 'b', 40, 4),
    roof('b', 700),
    spout('b', -0.2),
    pipe('b', 'c', 40, 4),
    roof('c', 700),
    spout('c', -0.4),
    pipe('c', 'out', 60, last),
    swale(-3),
  );

const basinsAfter = jobOf(
  'basin-after-each',
  'Yard drain with a basin after each downspout',
  roof('a', 600),
  spout('a', 0),
  pipe('a', 'b1', 6, 4),
  lawn('b1', 500),
  basin('b1', -0.1, { grate: 'flat9', sumpDepth: inch(6) }),
  pipe('b1', 'b2', 40, 4),
  roof('c', 600),
  spout('c', -0.3),
  pipe('c', 'b2', 6, 4),
  lawn('b2', 500),
  basin('b2', -0.4, { grate: 'flat9', sumpDepth: inch(6) }),
  pipe('b2', 'out', 50, 4),
  swale(-3),
);

const acrossDrive = jobOf(
  'across-a-drive',
  'Channel across a drive with a trunk through it',
  roof('a', 800),
  spout('a', 0),
  pipe('a', 'w', 30, 4),
  lawn('drain', 900, 'paving'),
  channel('drain', -0.3, 12, { hole: 'end' }),
  pipe('drain', 'w', 4, 4, { under: 'cars' }),
  { id: 'w', kind: 'junction', form: 'wye', name: 'Wye', groundLevel: ft(-0.3) },
  pipe('w', 'out', 70, 6, { under: 'cars' }),
  swale(-3.5),
);

/** 40 ft of deck in three channels that meet at their divides, each let out through the wall by a pipe of its own. */
const poolDeck = jobOf(
  'pool-deck',
  'Pool deck channel with three wall outlets, each with its own pipe',
  ...['a', 'b', 'c'].flatMap((id, k): Element[] => [
    lawn(id, 260, 'paving'),
    channel(id, 0, 13, { outlet: 'middle', depth: inch(4) }),
    pipe(id, `out-${id}`, 14, 3),
    {
      id: `out-${id}`,
      kind: 'discharge',
      name: `Wall outlet ${k + 1}`,
      form: 'daylight',
      receiving: 'slope',
      groundLevel: ft(-2),
      buildingDistance: ft(30),
      stone: true,
      bank: { length: ft(6), topLevel: ft(-0.2) },
    },
  ]),
);

const fourLowSpots = jobOf(
  'four-low-spots',
  'Four low spots in a clay lawn, drained by one line',
  ...[0, -0.7, -1.4, -2.1].flatMap((level, k): Element[] => [
    lawn(`b${k}`, 1500),
    basin(`b${k}`, level, { sumpDepth: inch(6) }),
    // 3 in from the first, where nothing else has joined: a larger pipe would not wash itself.
    pipe(`b${k}`, k < 3 ? `b${k + 1}` : 'out', 35, k === 0 ? 3 : 4),
  ]),
  swale(-5, { bank: { length: ft(6), topLevel: ft(-2.4) } }),
);

const dripOnPopup = (drain: Discharge['drain']): Job =>
  jobOf(
    drain ? 'drip-drained' : 'drip-on-popup',
    drain
      ? 'A condensate drip on a pop-up that drains into sand'
      : 'A condensate drip on a pop-up that holds its water',
    roof('a', 400),
    spout('a', 0),
    { id: 'drip', kind: 'fixedFlow', name: 'Condensate', flow: gpm(0.05), feeds: [{ to: 'a', share: 1 }] },
    pipe('a', 'out', 40, 3),
    {
      id: 'out',
      kind: 'discharge',
      name: 'Pop-up',
      form: 'popup',
      receiving: 'lawn',
      groundLevel: ft(-2),
      buildingDistance: ft(30),
      ...(drain ? { drain } : {}),
    },
  );

const singleSpout = jobOf(
  'single-downspout',
  '3 in from a single downspout to the lawn’s edge',
  roof('a', 500),
  spout('a', 0),
  pipe('a', 'out', 35, 3),
  swale(-2),
);

const windowWell = (grates: number): Job =>
  jobOf(
    `window-well-${grates}`,
    `Window well with ${grates === 1 ? 'one grate' : 'two grates'} that guards its sill`,
    lawn('well', 300, 'paving'),
    basin('well', -2, { sillLevel: ft(-1.4), count: grates, grate: 'flat9' }),
    pipe('well', 'out', 60, 4),
    swale(-5, { bank: { length: ft(6), topLevel: ft(-2.2) } }),
  );

const toKerb = jobOf(
  'to-the-kerb',
  'Front downspout out through the kerb',
  roof('a', 450),
  spout('a', 0),
  pipe('a', 'out', 30, 3),
  {
    id: 'out',
    kind: 'discharge',
    name: 'Kerb',
    form: 'kerb',
    receiving: 'street',
    // The gutter lies a foot under the verge behind the kerb.
    groundLevel: ft(-2),
    bank: { length: ft(1), topLevel: ft(-1) },
    buildingDistance: ft(30),
  },
);

const noFall = jobOf(
  'no-fall',
  'Back garden lower than the lane it should drain to',
  lawn('a', 2000),
  basin('a', -2),
  pipe('a', 'out', 80, 4),
  swale(-1.5, { bank: { length: ft(4), topLevel: ft(-1) } }),
);

const longLine = (cleaned: boolean): Job =>
  jobOf(
    cleaned ? 'long-line-cleaned' : 'long-line',
    cleaned ? 'A line of 190 ft with a cleanout in it' : 'A line of 190 ft that nobody can clean',
    roof('a', 900),
    spout('a', 0),
    ...(cleaned
      ? [pipe('a', 'co', 95, 4), cleanout('co', -0.9), pipe('co', 'out', 95, 4)]
      : [pipe('a', 'out', 190, 4)]),
    swale(-5),
  );

/** The situations, by what they are called. */
export const situations = (): Readonly<Record<string, Situation>> => ({
  'a splice into a main with room': sound(intoMain(50), ['mainFull']),
  'a splice into a main that is full': told(intoMain(460), 'mainFull'),
  'a trunk with three downspouts, 6 in where three have joined': sound(threeDownspouts(6)),
  'the same, 3 in at its end': told(threeDownspouts(3), 'capacityExceeded', 'largerIntoSmaller'),
  'a basin after each downspout': sound(basinsAfter),
  'a channel across a drive with a trunk through it': sound(acrossDrive),
  'a pool deck whose wall outlets each have their own pipe': sound(poolDeck),
  'four low spots': sound(fourLowSpots),
  'a drip on a pop-up that holds its water': told(dripOnPopup(undefined), 'popupHolds'),
  'a drip on a pop-up that leaches into sand': sound(dripOnPopup({ type: 'leach', soil: 'sand', area: ft2(8) }), [
    'popupHolds',
  ]),
  'a single downspout in 3 in': sound(singleSpout),
  'a window well with two grates': sound(windowWell(2), ['openingFloods', 'blockedGrate']),
  'a downspout out through the kerb': sound(toKerb),
  'a garden lower than its way out': told(noFall, 'outOfFall'),
  'a long line with a cleanout': sound(longLine(true), ['noCleanout']),
  'a long line without': told(longLine(false), 'noCleanout'),
  ...worksSituations(),
});
