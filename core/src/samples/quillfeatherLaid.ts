/** The clinic a year after it was laid: as-laid readings, six visits, one complaint, and what is agreed on its care. */
import { changed } from '../job/change';
import { elementOf, headOf, jobFrom, type Job } from '../job/job';
import type { Element, Visit } from '../job/kinds';
import { METRES_PER_INCH } from '../units/constants';
import { quillfeather } from './quillfeather';

const inches = (count: number): number => count * METRES_PER_INCH;
/** Five gallons in fifty seconds. */
const HOSE = { volume: 0.01892705892, seconds: 50 };
const CUP = 0.0002365882365;

const visit = (id: string, at: string, more: Omit<Visit, 'id' | 'kind' | 'at'>): Visit => ({
  id,
  kind: 'visit',
  at,
  ...more,
});

const VISITS: readonly Visit[] = [
  visit('visitDoor', '2025-11-19T14:10:00Z', {
    by: 'Lead and one',
    test: { type: 'hose', into: 'kennelDrain', bucket: HOSE, end: { volume: HOSE.volume, seconds: 52 }, shows: 81 },
    said: {
      of: 'Hose test at Kennel door drain',
      asPlanned: true,
      sentence: 'As planned. It showed after 1\u00a0min 21\u00a0s. 5.8\u00a0gpm comes out.',
    },
  }),
  visit('visitLawn', '2025-11-19T14:30:00Z', {
    by: 'Lead and one',
    test: { type: 'hose', into: 'basin', bucket: HOSE, shows: 140 },
    said: {
      of: 'Hose test at Lawn basin',
      asPlanned: true,
      sentence: 'As planned. It showed after 2\u00a0min 20\u00a0s.',
    },
  }),
  visit('visitFirstRain', '2026-01-10T09:20:00Z', {
    note: 'Steady rain overnight. Nothing at the kennel door.',
    test: {
      type: 'rain',
      depth: inches(0.9),
      hours: 2,
      stood: [
        { at: 'basin', depth: inches(0.5), gone: 1 },
        { at: 'kennelDrain', depth: 0 },
      ],
    },
    said: {
      of: 'Rain of 0.90\u00a0in in 2\u00a0h',
      sentence: 'Lawn basin: 1/2\u00a0in; Kennel door drain: 0\u00a0in.',
    },
  }),
  visit('visitSpring', '2026-04-15T08:00:00Z', {
    test: { type: 'clean', sumps: [{ at: 'basin', grit: 3 * CUP, leaves: true }] },
    said: { of: 'Cleaned', sentence: 'Lawn basin: 3\u00a0cups of grit, leaves on its grate.' },
  }),
  visit('visitAutumn', '2026-10-21T16:40:00Z', {
    note: 'Pear leaves two fingers deep over the grate.',
    mended: true,
    test: { type: 'rain', depth: inches(1.2), hours: 1, stood: [{ at: 'basin', depth: inches(4), gone: 30 }] },
    said: { of: 'Rain of 1.20\u00a0in in 1\u00a0h', sentence: 'Lawn basin: 4\u00a0in.' },
  }),
  visit('visitAgain', '2026-10-22T08:15:00Z', {
    note: 'Leaves raked off. The line itself is free.',
    test: { type: 'hose', into: 'basin', bucket: HOSE, shows: 130 },
    said: {
      of: 'Hose test at Lawn basin',
      asPlanned: true,
      sentence: 'As planned. It showed after 2\u00a0min 10\u00a0s.',
    },
  }),
];

const KEPT: readonly Element[] = [
  {
    id: 'keeping',
    kind: 'keeping',
    laidOn: '2025-11-20',
    warranty: { months: 24, not: 'leaves on the grates, roots, and what others dig' },
    contract: { amount: 18_000, from: '2026-04-15' },
    done: [
      { care: 'gutters', on: '2025-12-18' },
      { care: 'settled', on: '2026-02-24' },
      { care: 'outfalls', on: '2026-04-15' },
      { care: 'lines', on: '2026-04-15' },
      { care: 'silting', on: '2026-10-22' },
      { care: 'grates', on: '2026-10-22' },
      { care: 'gutters', on: '2026-06-20' },
    ],
  },
  {
    id: 'wetLawnAgain',
    kind: 'complaint',
    on: '2026-10-20',
    saw: 'It stands on the lawn again, up to the dogs’ ankles, and was there the next morning.',
    of: 'basin',
    rain: { depth: inches(1.2), from: 'own gauge' },
    found: 'Grate shut by pear leaves; the line runs as planned.',
    done: 'Raked off, and shown how.',
    pays: 'company',
    cost: 0,
    closedBy: 'visitAgain',
    closedOn: '2026-10-22',
  },
  {
    id: 'leavesWarned',
    kind: 'note',
    sort: 'warned',
    of: 'basin',
    text: 'The grate lies under the pear tree: it wants raking every week from October on.',
    on: '2025-11-20',
  },
];

/** What the rod read on the trunk as it was laid: m from its head, and how far off its plan, m. */
const TRUNK = [
  { along: 0, off: 0.002 },
  { along: 6.1, off: -0.003 },
  { along: 12.2, off: 0.004 },
  { along: 18.8976, off: 0 },
];

/** How much deeper the swale was found than it had been levelled, once its silt was out: so the trunk had its fall; in smooth pipe it carries its water. */
const SWALE_DEEPER = inches(2);

/** Hours that each step took, and the day on which it was done. */
const TOOK: readonly [step: string, hours: number, doneOn: string][] = [
  ['setOut', 0.75, '2025-11-17'],
  ['strip', 0.5, '2025-11-17'],
  ['saw', 2, '2025-11-17'],
  ['line A', 4, '2025-11-18'],
  ['line B', 1.25, '2025-11-18'],
  ['line C', 0.25, '2025-11-18'],
  ['line D', 0.5, '2025-11-18'],
  ['boxes', 2.5, '2025-11-19'],
  ['test', 0.5, '2025-11-19'],
  ['backfill', 1.5, '2025-11-20'],
  ['slab', 1, '2025-11-20'],
  ['turf', 1, '2025-11-20'],
];

const CAME_OUT: readonly Element[] = [
  ...TOOK.map(([of, took, doneOn], k): Element => ({ id: `done${k}`, kind: 'step', of, took, doneOn })),
  {
    id: 'outcome',
    kind: 'outcome',
    settledOn: '2025-12-12',
    asked: 1_090_000,
    costs: { parts: 224_000, hauling: 9_000 },
    loads: 1,
    machines: [{ machine: 'excavator', hours: 6.5 }],
    used: [
      { part: 'pipe material smooth nominal 1016', quantity: 66, paid: 62_400 },
      { part: 'pipe material smooth nominal 1524', quantity: 19.5, paid: 28_100 },
    ],
  },
];

/** As it was built. */
export function quillfeatherLaid(): Job {
  const job = quillfeather();
  const [up, down] = [-0.914, -1.009];
  const trunk = elementOf(job, 'run', 'trunkLower')!;
  const swale = elementOf(job, 'discharge', 'swale')!;
  const laid = TRUNK.map(({ along, off }) => ({
    along,
    level: up + ((down - up) * along) / trunk.length + off,
    at: '2025-11-18',
  }));
  const head = headOf(job);
  const puts: Element[] = [
    {
      ...head,
      name: 'The clinic, a year on',
      site: '4 Lane Side, Alderbrook',
      state: 'done',
      startsOn: '2025-11-17',
    },
    { ...trunk, material: 'smooth', laid },
    { ...swale, controlLevel: (swale.controlLevel ?? swale.groundLevel) - SWALE_DEEPER },
    ...VISITS,
    ...KEPT,
    ...CAME_OUT,
  ];
  return jobFrom('quillfeather-laid', changed(job, { puts, removes: [] }).elements);
}
