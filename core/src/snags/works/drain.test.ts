/** Drains in the ground: each rule at its edge: silent on the one side, and on the other it says the figure, the limit and how bad it is. */
import type { Element } from '../../job/kinds';
import { type Edge, holds, landing, place, runsOf, sound, work } from '../../testing/edges';
import { basin, node, out, pipe, spout } from '../../testing/parts';
import { drainOf, fieldOf, stoneOf } from '../../testing/someWorks';

const DAY = 86_400;
const FT = 0.3048;
const drain = (more: object) => ({
  head: 0.3,
  worked: 5,
  conductivity: 1e-5,
  spacing: 5,
  firm: 0.4,
  flow: 0.001,
  capacity: 0.002,
  soil: 'loam',
  firmTime: DAY,
  lines: null,
  ...more,
});
const square = (east: number, north: number, side = 4) => [
  place(east, north),
  place(east + side, north),
  place(east + side, north + side),
  place(east, north + side),
];
const house = (outline = square(0, 0)): Element => ({ id: 'house', kind: 'building', name: 'House', outline });

const IN_GROUND: Edge[] = [
  {
    code: 'drainUphill',
    elements: [drainOf({ pitch: 0 }), fieldOf({ id: 'field' })],
    silent: [{}],
    says: [],
  },
  {
    code: 'drainUphill',
    elements: [drainOf({ pitch: -0.01 })],
    silent: [],
    says: [[{}, { severity: 'stop', at: 'drain', figure: -0.01, limit: 0 }]],
  },
  {
    code: 'drainUphill',
    elements: [fieldOf({ pitch: -0.01 })],
    silent: [],
    says: [[{}, { severity: 'stop', at: 'drain', figure: -0.01 }]],
  },
  {
    code: 'drainUnderHouse',
    elements: [house(), drainOf({ id: 'w', way: [place(-2, 2), place(6, 2)] })],
    silent: [],
    says: [[work('drain', drain({})), { severity: 'stop', at: 'w', figure: 1, limit: 0, more: { other: 'house' } }]],
  },
  {
    code: 'drainUnderHouse',
    elements: [house(), drainOf({ id: 'w', way: [place(-2, 5), place(6, 5)] })],
    silent: [work('drain', drain({}))],
    says: [],
  },
  {
    code: 'drainUnderHouse',
    elements: [house(), fieldOf({ id: 'w' })],
    silent: [
      work(
        'drainField',
        drain({ lines: { laterals: [[place(-2, 5), place(6, 5)]], collector: [place(-2, 6), place(6, 6)] } }),
      ),
    ],
    says: [
      [
        work(
          'drainField',
          drain({
            lines: {
              laterals: [
                [place(-2, 5), place(6, 5)],
                [place(2, -2), place(2, 6)],
              ],
              collector: [place(-2, 6), place(6, 6)],
            },
          }),
        ),
        { severity: 'stop', figure: 1 },
      ],
      [
        work('drainField', drain({ lines: { laterals: [], collector: [place(-2, 1), place(6, 1)] } })),
        { severity: 'stop', figure: 1 },
      ],
    ],
  },
  {
    code: 'drainUnderHouse',
    elements: [
      house(),
      basin({ id: 'up', place: place(-2, 2) }),
      out({ place: place(8, 2) }),
      pipe('up', { id: 'r', perforated: true }),
    ],
    silent: [],
    says: [[{}, { severity: 'stop', at: 'r', figure: 1, more: { other: 'house' } }]],
  },
  {
    code: 'drainUnderHouse',
    elements: [house(), basin({ id: 'up', place: place(-2, 2) }), out({ place: place(8, 2) }), pipe('up', { id: 'r' })],
    silent: [{}],
    says: [],
  },
  {
    code: 'roofInPerforated',
    elements: [
      house(),
      spout({ id: 'up', place: place(6, 2) }),
      out({ place: place(20, 2) }),
      pipe('up', { id: 'r', perforated: true }),
    ],
    silent: [runsOf(sound('r', { from: 'up', effectiveArea: 0 })), {}],
    says: [[runsOf(sound('r', { from: 'up' })), { severity: 'stop', at: 'r', figure: 2, limit: 10 * FT }]],
  },
  {
    code: 'roofInPerforated',
    elements: [
      house(),
      spout({ id: 'top' }),
      node('wye', { id: 'up', place: place(7.1, 2) }),
      out({ place: place(20, 2) }),
      pipe('up', { id: 'r', perforated: true }),
    ],
    silent: [runsOf(sound('r', { from: 'up' }), sound('s', { from: 'top', to: 'up' }))],
    says: [],
  },
  {
    code: 'roofInPerforated',
    elements: [
      house(),
      spout({ id: 'top' }),
      node('wye', { id: 'up', place: place(7, 2) }),
      out({ place: place(20, 2) }),
      pipe('up', { id: 'r', perforated: true }),
    ],
    silent: [runsOf(sound('r', { from: 'up' }))],
    says: [
      [runsOf(sound('r', { from: 'up' }), sound('s', { from: 'top', to: 'up' })), { severity: 'stop', figure: 3 }],
    ],
  },
  {
    code: 'rainInPerforated',
    elements: [basin({ id: 'up' }), out(), pipe('up', { id: 'r', perforated: true }), pipe('up', { id: 'tight' })],
    silent: [runsOf(sound('r', { effectiveArea: 0 })), runsOf(sound('tight'))],
    says: [[runsOf(sound('r', { flow: 0.004 })), { severity: 'fix', at: 'r', figure: 0.004, limit: 0 }]],
  },
  {
    code: 'rainInPerforated',
    elements: [drainOf(), fieldOf({ id: 'field' })],
    silent: [landing('drain', { passingArea: 0, passing: 0.001 }), landing('field', { passingArea: 0 })],
    says: [
      [landing('drain', { passingArea: 20, passing: 0.001 }), { severity: 'fix', at: 'drain', figure: 0.001 }],
      [landing('field', { passingArea: 20, passing: 0.002 }), { severity: 'fix', at: 'field', figure: 0.002 }],
    ],
  },
  {
    code: 'drainShallow',
    elements: [drainOf({ id: 'w', depth: 0.5 })],
    silent: [work('drain', drain({ head: 0.006 })), work('drain', drain({ worked: null, conductivity: 0 }))],
    says: [
      [work('drain', drain({ head: 0.005 })), { severity: 'fix', at: 'w', figure: 0.5, limit: 0.4 }],
      [work('drain', drain({ worked: null })), { severity: 'fix', figure: 0.5 }],
    ],
  },
  {
    code: 'drainWide',
    silent: [work('drain', drain({ spacing: 5.1 })), work('drain', drain({ worked: null, spacing: 50 }))],
    says: [
      [work('drain', drain({ spacing: 5.2 })), { severity: 'fix', figure: 5.2, limit: 5 }],
      [work('drainField', drain({ spacing: 5.2 })), { severity: 'fix', figure: 5.2 }],
    ],
  },
  {
    code: 'drainFull',
    silent: [
      work('drain', drain({ flow: 0.002 })),
      { ...work('drain', drain({})), ...landing('w', { entering: 0.002 }) },
    ],
    says: [
      [work('drain', drain({ flow: 0.0021 })), { severity: 'fix', figure: 0.0021, limit: 0.002 }],
      [
        { ...work('drain', drain({})), ...landing('w', { entering: 0.003 }) },
        { severity: 'fix', figure: 0.003 },
      ],
    ],
  },
  {
    code: 'soilUnlikely',
    silent: [work('drain', drain({ conductivity: 3.9e-4 })), work('drain', drain({ conductivity: 4.1e-8 }))],
    says: [
      [work('drain', drain({ conductivity: 4.1e-4 })), { severity: 'mind', figure: 0, limit: 1 }],
      [work('drain', drain({ conductivity: 3.9e-8 })), { severity: 'mind', figure: 0 }],
    ],
  },
  {
    code: 'drainSlow',
    silent: [work('drain', drain({ firmTime: 3 * DAY })), work('drain', drain({ firmTime: null }))],
    says: [[work('drain', drain({ firmTime: 3.1 * DAY })), { severity: 'mind', figure: 3.1 * DAY, limit: 3 * DAY }]],
  },
  {
    code: 'beddingPoor',
    elements: [drainOf({ stone: 'angular', fabric: 'wrapped' }), stoneOf(), fieldOf({ id: 'f' })],
    silent: [{}],
    says: [],
  },
  {
    code: 'beddingPoor',
    elements: [drainOf({ stone: 'pea' })],
    silent: [],
    says: [[{}, { severity: 'fix', at: 'drain', figure: 1, limit: 0 }]],
  },
  {
    code: 'beddingPoor',
    elements: [fieldOf({ fabric: 'woven' })],
    silent: [],
    says: [[{}, { severity: 'fix', at: 'drain', figure: 2, reads: /chokes it. Woven sheet: it sheds water/ }]],
  },
  {
    code: 'beddingPoor',
    elements: [stoneOf({ fabric: 'woven' })],
    silent: [],
    says: [[{}, { severity: 'fix', at: 'stone', figure: 2 }]],
  },
  {
    code: 'drainAmongRoots',
    elements: [
      drainOf({ id: 'w', way: [place(0, 0), place(20, 0)] }),
      { id: 'tree', kind: 'tree', name: 'Pear', place: place(10, 5), crown: 8 },
    ],
    silent: [{}],
    says: [[work('drain', drain({})), { severity: 'mind', at: 'w', figure: 5, limit: 6, more: { other: 'tree' } }]],
  },
  {
    code: 'drainAmongRoots',
    elements: [
      drainOf({ id: 'w', way: [place(0, 0), place(20, 0)] }),
      { id: 'tree', kind: 'tree', name: 'Pear', place: place(10, 6.1), crown: 8 },
      { id: 'unplaced', kind: 'tree', name: 'Oak', crown: 9 },
    ],
    silent: [work('drain', drain({}))],
    says: [],
  },
];

it.each(IN_GROUND.map((edge, k) => [edge.code, k, edge] as const))('%s (%d)', (_, __, edge) => holds(edge));
