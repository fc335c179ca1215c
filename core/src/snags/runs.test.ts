/** Pipes: each rule at its edge: silent on the one side, and on the other it says the figure, the limit and how bad it is. */
import type { RunPlan } from '../plan/solution';
import type { Element } from '../job/kinds';
import { type Edge, holds, runsOf, sound } from '../testing/edges';
import { basin, channel, node, out, pipe } from '../testing/parts';

const FT = 0.3048;
const GPM = 6.30902e-5;
const one = (more: Partial<RunPlan>, rest: object = {}): object => ({ ...runsOf(sound('r', more)), ...rest });
/** One that holds grit, and that no other size would keep clean: it may not narrow. */
const grit = (more: object): object =>
  one(
    { cleans: false, material: 'smooth', flow: 0.001, ordinaryFlow: 0, parallel: 1, widestAbove: 0.6, ...more },
    { budgets: [], landings: {} },
  );
const down = (id: string, flow: number): RunPlan => sound(id, { to: 'node', flow });
/** A field of one run, as the job has it. */
const dug = (more: object = {}): Element[] => [
  basin({ id: 'up' }),
  out({ id: 'down' }),
  pipe('up', { id: 'r', to: 'down', ...more }),
];

const EDGES: Edge[] = [
  {
    code: 'underLeastPitch',
    silent: [one({ pitch: 0.01 }), one({ pitch: 0.00999999 }), one({ pitch: 0 }), one({ pitch: -0.01 })],
    says: [[one({ pitch: 0.0098 }), { severity: 'fix', at: 'r', figure: 0.0098, limit: 0.01 }]],
  },
  {
    code: 'adversePitch',
    silent: [one({ pitch: 0.001 }), runsOf(sound('a', { to: 'n' }), sound('b', { from: 'n', crownUp: -0.6996 }))],
    says: [
      [one({ pitch: 0 }), { severity: 'stop', at: 'r', figure: 0, limit: 0.01 }],
      [one({ pitch: -0.02 }), { severity: 'stop', at: 'r', figure: -0.02, limit: 0.01 }],
      // The next pipe begins higher than this one ends.
      [
        runsOf(sound('a', { to: 'n' }), sound('b', { from: 'n', crownUp: -0.65 })),
        { severity: 'stop', at: 'a', figure: -0.05, limit: 0, more: { other: 'n' } },
      ],
    ],
  },
  {
    code: 'capacityExceeded',
    silent: [one({}), one({ overloaded: true, pitch: 0 }), one({ overloaded: true, pitch: -0.1 })],
    says: [[one({ overloaded: true, flow: 0.02 }), { severity: 'fix', at: 'r', figure: 0.02, limit: 0.01 }]],
  },
  {
    code: 'willSilt',
    silent: [
      one({ cleans: true }),
      one({ cleans: false, pitch: 0 }),
      one({ cleans: false, effectiveArea: 0 }),
      one({ cleans: false, overloaded: true }),
    ],
    says: [
      [
        grit({ ordinaryShear: 0.8 }),
        { severity: 'mind', figure: 0.8, limit: 1, more: { measure: 'shear' }, reads: /shear 0.8/ },
      ],
      [
        grit({ velocity: 0.5, flow: 0.02, ordinaryFlow: 0.004, widestAbove: 0 }),
        { severity: 'fix', figure: 0.5, limit: 2 * FT, more: { measure: 'velocity' }, reads: /velocity 0.5/ },
      ],
    ],
  },
  {
    code: 'velocityHigh',
    silent: [one({ topVelocity: 10 * FT })],
    says: [
      [one({ topVelocity: 10 * FT + 0.01 }), { severity: 'mind', figure: 10 * FT + 0.01, limit: 10 * FT }],
      [one({ topVelocity: 15 * FT }), { severity: 'mind', figure: 15 * FT, limit: 10 * FT }],
      [one({ topVelocity: 15 * FT + 0.01 }), { severity: 'stop', figure: 15 * FT + 0.01, limit: 15 * FT }],
    ],
  },
  {
    code: 'coverShort',
    silent: [one({ cover: 0.15 }), one({ cover: 0.1496 })],
    says: [
      [
        one({ cover: 0.14 }),
        { severity: 'fix', figure: 0.14, limit: 0.15, reads: /has \[small 0.14\].*needs \[small 0.15\]/ },
      ],
      [one({ cover: -0.02 }), { severity: 'fix', figure: -0.02, reads: /sticks \[small 0.02\] out/ }],
      [
        one({ cover: 0.14, comesOutOver: 3 }),
        { severity: 'fix', figure: 0.14, more: { length: 3 }, reads: /last \[length 3\]/ },
      ],
    ],
  },
  {
    code: 'deepTrench',
    elements: dug(),
    silent: [one({ trenchDepth: 5 * FT - 0.001 })],
    says: [
      [one({ trenchDepth: 5 * FT + 0.001 }), { severity: 'stop', at: 'r', figure: 5 * FT + 0.001, limit: 5 * FT }],
    ],
  },
  { code: 'deepTrench', elements: dug({ shored: true }), silent: [one({ trenchDepth: 3 })], says: [] },
  {
    code: 'largerIntoSmaller',
    silent: [
      runsOf(sound('a', { to: 'n' }), sound('b', { from: 'n' })),
      runsOf(sound('a', { to: 'n' }), sound('b', { from: 'n', nominal: 0.15 })),
      one({ nominal: 0.3 }),
    ],
    says: [
      [
        runsOf(sound('a', { to: 'n', nominal: 0.15 }), sound('b', { from: 'n' })),
        { severity: 'fix', at: 'b', figure: 0.1, limit: 0.15, more: { other: 'a' } },
      ],
    ],
  },
  {
    code: 'teeLoaded',
    elements: [node('tee')],
    silent: [runsOf(down('a', 1), down('b', 9.9 * GPM)), runsOf(down('a', 1))],
    says: [
      [
        runsOf(down('a', 1), down('b', 6 * GPM), down('c', 5 * GPM)),
        { severity: 'fix', at: 'node', figure: 11 * GPM, limit: 10 * GPM },
      ],
    ],
  },
  { code: 'teeLoaded', elements: [node('wye')], silent: [runsOf(down('a', 1), down('b', 1))], says: [] },
  { code: 'strayRun', silent: [{}], says: [[{ stray: ['r'] }, { severity: 'stop', at: 'r', figure: 1, limit: 0 }]] },
  {
    code: 'throatLeft',
    elements: [basin(), out(), pipe('basin', { id: 'r', nominal: 0.1, throat: 0.075 })],
    silent: [],
    says: [[{}, { severity: 'fix', at: 'r', figure: 0.075, limit: 0.1 }]],
  },
  {
    code: 'throatLeft',
    elements: [basin(), out(), pipe('basin', { nominal: 0.1, throat: 0.1 })],
    silent: [{}],
    says: [],
  },
  {
    code: 'throatLeft',
    elements: [basin(), out(), pipe('basin', { nominal: 0.1, throat: 0.075, old: { fate: 'takenOut' } })],
    silent: [{}],
    says: [],
  },
  {
    code: 'assumedFigure',
    elements: [basin(), out(), pipe('basin', { id: 'r', length: 12, assumed: true })],
    silent: [],
    says: [[{}, { severity: 'mind', at: 'r', figure: 12, limit: 12 }]],
  },
  {
    code: 'assumedFigure',
    elements: [out({ groundLevel: -2, assumed: true })],
    silent: [],
    says: [[{}, { severity: 'mind', at: 'out', figure: -2, limit: -2, reads: /level -2/ }]],
  },
  { code: 'assumedFigure', elements: [basin(), out(), pipe('basin')], silent: [{}], says: [] },
  {
    code: 'sedimentTrapMissing',
    elements: [node('wye')],
    silent: [
      runsOf(sound('a', { to: 'node', pitch: 0.039 }), sound('b', { from: 'node', pitch: 0.005 })),
      runsOf(sound('a', { to: 'node', pitch: 0.05 }), sound('b', { from: 'node', pitch: 0.017 })),
      runsOf(sound('a', { to: 'node', pitch: 0.05, flow: 0 }), sound('b', { from: 'node', pitch: 0.01 })),
      runsOf(sound('a', { to: 'node', pitch: 0.05 }), sound('b', { from: 'node', pitch: 0 })),
      runsOf(sound('a', { to: 'node', pitch: 0.05, line: 'B' }), sound('b', { from: 'node', pitch: 0.01 })),
      runsOf(sound('a', { to: 'node', pitch: 0.05 })),
    ],
    says: [
      [
        runsOf(sound('a', { to: 'node', pitch: 0.04 }), sound('b', { from: 'node', pitch: 0.01 })),
        { severity: 'mind', at: 'node', figure: 0.04, limit: 0.01, more: { other: 'a' } },
      ],
      [
        runsOf(sound('a', { to: 'node', pitch: 0.06 }), sound('b', { from: 'node', pitch: 0.02 })),
        { severity: 'mind', figure: 0.06, limit: 0.02 },
      ],
    ],
  },
  {
    code: 'sedimentTrapMissing',
    elements: [basin({ id: 'node', sumpDepth: 0.2 })],
    silent: [runsOf(sound('a', { to: 'node', pitch: 0.05 }), sound('b', { from: 'node', pitch: 0.01 }))],
    says: [],
  },
  {
    code: 'sedimentTrapMissing',
    elements: [basin({ id: 'node', sumpDepth: 0 })],
    silent: [],
    says: [
      [
        runsOf(sound('a', { to: 'node', pitch: 0.05 }), sound('b', { from: 'node', pitch: 0.01 })),
        { severity: 'mind', figure: 0.05 },
      ],
    ],
  },
  {
    code: 'sedimentTrapMissing',
    elements: [channel({ id: 'node' })],
    silent: [runsOf(sound('a', { to: 'node', pitch: 0.05 }), sound('b', { from: 'node', pitch: 0.01 }))],
    says: [],
  },
];

it.each(EDGES.map((edge, k) => [edge.code, k, edge] as const))('%s (%d)', (_, __, edge) => holds(edge));
