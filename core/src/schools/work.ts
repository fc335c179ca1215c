/** Schools of the work itself: what digs, how long a trench stands open, one trench or two, turf, earth, what is left in the ground to be found. */
import { newRuns } from '../job/edits/manyRuns';
import { METRES_PER_FOOT } from '../units/constants';
import { BY_PLACE, wayQuestion, type School } from './school';

const digs: School['asks'] = (job) => newRuns(job).length > 0;

export const WORK_SCHOOLS: readonly School[] = [
  wayQuestion({
    id: 'digger',
    group: 'work',
    question: 'What digs?',
    way: 'digger',
    asks: digs,
    sides: [
      {
        id: 'excavator',
        label: 'Excavator',
        reasons: 'Any depth, and it stops when a root or a pipe shows. A bucket’s width of lawn goes.',
      },
      {
        id: 'trencher',
        label: 'Trencher',
        reasons: 'Fast, narrow and straight, as deep as its chain. It sees nothing: no second chance at a buried line.',
      },
      { id: 'hand', label: 'Spade', reasons: 'Through any gate and past any root. Slow.' },
    ],
  }),
  wayQuestion({
    id: 'opening',
    group: 'work',
    question: 'How long does a trench stand open?',
    way: 'opening',
    asks: digs,
    sides: [
      { id: 'whole', label: 'Line by line', reasons: 'Water runs through the whole line before any of it is covered.' },
      {
        id: 'stretch',
        label: '10 to 20 ft at a time',
        metric: '3 to 6 m at a time',
        reasons: 'No trench stands open over night or in rain, and the yard stays passable.',
      },
    ],
  }),
  wayQuestion({
    id: 'sharing',
    group: 'work',
    question: 'Lines side by side: one trench or each its own?',
    way: 'shareWithin',
    values: { shared: 2 * METRES_PER_FOOT, apart: 0 },
    asks: (job) => newRuns(job).length > 1,
    sides: [
      {
        id: 'shared',
        label: 'One trench within 2 ft',
        metric: 'One trench within 0.6 m',
        reasons: 'Dug and filled once: the deeper line’s trench, a little wider.',
      },
      {
        id: 'apart',
        label: 'Each its own',
        reasons: 'One is mended without baring the other, and nothing lies on top of anything.',
      },
    ],
  }),
  wayQuestion({
    id: 'turf',
    group: 'work',
    question: 'Turf over the trench?',
    way: 'sod',
    asks: digs,
    sides: [
      {
        id: BY_PLACE,
        label: 'By area and season',
        reasons: 'A little is kept; much is sown in its season, and bought out of it.',
      },
      {
        id: 'kept',
        label: 'Cut, kept, laid back',
        reasons: 'The same grass, level again the same day. It must not lie for more than a day or two.',
      },
      {
        id: 'new',
        label: 'New turf',
        reasons: 'Green at once whatever the digging did to the old. It is watered for weeks.',
      },
      {
        id: 'seed',
        label: 'Seed under a blanket',
        reasons: 'Cheapest, and last of all once no machine comes back. Bare for a month.',
      },
    ],
  }),
  wayQuestion({
    id: 'earth',
    group: 'work',
    question: 'Earth that is left over?',
    way: 'earth',
    asks: digs,
    sides: [
      {
        id: 'used',
        label: 'Fill with it',
        reasons: 'It goes to berms, low spots and grade at the house; only the rest is hauled.',
      },
      { id: 'hauled', label: 'Haul it all', reasons: 'Clay from a trench makes poor fill; good soil is brought.' },
    ],
  }),
  wayQuestion({
    id: 'offcuts',
    group: 'work',
    question: 'What is left of sticks and rolls?',
    way: 'offcuts',
    asks: digs,
    sides: [
      { id: 'paid', label: 'Paid by this job', reasons: 'Nobody counts on finding the next job for half a roll.' },
      { id: 'kept', label: 'Kept for the next', reasons: 'This job pays what it uses, and is cheaper for it.' },
    ],
  }),
  wayQuestion({
    id: 'marked',
    group: 'work',
    question: 'Marking tape over the pipe?',
    way: 'markingTape',
    values: { tape: true, none: false },
    asks: digs,
    sides: [
      { id: 'tape', label: 'Tape', reasons: 'The next one who digs sees it before he hits the pipe.' },
      {
        id: 'none',
        label: 'None',
        reasons: 'A line of plastic less in the ground; the plan as built says where it lies.',
      },
    ],
  }),
  wayQuestion({
    id: 'found',
    group: 'work',
    question: 'Tracer wire along it?',
    way: 'tracer',
    values: { none: false, wire: true },
    asks: digs,
    sides: [
      { id: 'none', label: 'None', reasons: 'Offsets from two corners find it.' },
      {
        id: 'wire',
        label: 'Wire',
        reasons: 'A locator finds plastic pipe by it when the corners are gone.',
      },
    ],
  }),
];
