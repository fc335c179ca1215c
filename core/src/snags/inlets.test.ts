/** Inlets and gutters: each rule at its edge: silent on the one side, and on the other it says the figure, the limit and how bad it is. */
import { type Edge, holds, landing, runsOf, sound } from '../testing/edges';
import { basin, ground, rain, spout } from '../testing/parts';

const IN = 0.0254;

const inlet = (kind: string, more: object): object => ({ inlets: { i: { kind, ...more } } });

const EDGES: Edge[] = [
  {
    code: 'grateSmall',
    silent: [
      inlet('basin', { ponding: 2 * IN }),
      inlet('channel', { ponding: 1 }),
      { ...inlet('basin', { ponding: 1 }), onSlope: new Map([['i', {}]]) },
    ],
    says: [[inlet('basin', { ponding: 2.1 * IN }), { severity: 'fix', at: 'i', figure: 2.1 * IN, limit: 2 * IN }]],
  },
  {
    code: 'channelOvertops',
    silent: [inlet('channel', { profile: { over: 0.0004 } }), inlet('basin', { profile: { over: 1 } })],
    says: [[inlet('channel', { profile: { over: 0.01 } }), { severity: 'fix', at: 'i', figure: 0.01, limit: 0 }]],
  },
  {
    code: 'channelHolds',
    silent: [inlet('channel', { holds: 0.0004 }), inlet('basin', { holds: 1 })],
    says: [[inlet('channel', { holds: 0.02 }), { severity: 'fix', at: 'i', figure: 0.02, limit: 0 }]],
  },
  {
    code: 'channelOutlet',
    silent: [
      inlet('channel', { outletFlow: 0.01, outletCapacity: 0.01 }),
      inlet('channel', { outletFlow: 0.01, outletCapacity: null }),
      inlet('basin', { outletFlow: 0.02, outletCapacity: 0.01 }),
    ],
    says: [
      [
        inlet('channel', { outletFlow: 0.011, outletCapacity: 0.01 }),
        { severity: 'fix', at: 'i', figure: 0.011, limit: 0.01 },
      ],
    ],
  },
  {
    code: 'carriesOver',
    silent: [
      { onSlope: new Map([['i', { to: null, passed: 0.0002, offered: 0.01 }]]) },
      { onSlope: new Map([['i', { to: 'next', passed: 0.01, offered: 0.01 }]]) },
    ],
    says: [
      [
        { onSlope: new Map([['i', { to: null, passed: 0.0003, offered: 0.01 }]]) },
        { severity: 'fix', at: 'i', figure: 0.0003, limit: 0.01 },
      ],
    ],
  },
  {
    code: 'nearOpening',
    silent: [
      inlet('basin', { freeboard: 3 * IN }),
      inlet('basin', { freeboard: null }),
      inlet('downspout', { freeboard: 0 }),
    ],
    says: [
      [inlet('basin', { freeboard: 2.9 * IN }), { severity: 'stop', at: 'i', figure: 2.9 * IN, limit: 3 * IN }],
      [inlet('channel', { freeboard: -0.01 }), { severity: 'stop', at: 'i', figure: -0.01, limit: 3 * IN }],
    ],
  },
  {
    code: 'openingFloods',
    silent: [
      {},
      { openings: { returnPeriod: 100, freeboards: { i: 0 } } },
      // Told by the design rain already.
      { openings: { returnPeriod: 100, freeboards: { i: -0.1 } }, ...inlet('basin', { freeboard: 0.01 }) },
    ],
    says: [
      [
        { openings: { returnPeriod: 100, freeboards: { i: -0.04 } } },
        {
          severity: 'stop',
          at: 'i',
          figure: 0.04,
          limit: 0,
          more: { years: 100 },
          reads: /stands \[small 0.04\] over/,
        },
      ],
      [
        { openings: { returnPeriod: 50, freeboards: { i: -0.04 } }, ...inlet('basin', { freeboard: null }) },
        { severity: 'stop', figure: 0.04, more: { years: 50 } },
      ],
      [
        { openings: { returnPeriod: 50, freeboards: { i: -0.04 } }, ...inlet('basin', { freeboard: 3 * IN }) },
        { severity: 'stop', figure: 0.04 },
      ],
      [
        { openings: { returnPeriod: 50, freeboards: { i: -0.04 } }, ...inlet('downspout', { freeboard: 0 }) },
        { severity: 'stop', figure: 0.04 },
      ],
    ],
  },
  {
    code: 'downspoutSmall',
    elements: [spout({ id: 'i' })],
    silent: [
      inlet('downspout', { offered: 0.005, capacity: 0.005 }),
      inlet('basin', { offered: 1, capacity: 0.005 }),
      // What a valley spills never comes to it.
      inlet('downspout', { offered: 0.008, capacity: 0.005, valley: { offered: 0.006, capacity: 0.003 } }),
    ],
    says: [
      [
        inlet('downspout', { offered: 0.006, capacity: 0.005 }),
        { severity: 'fix', at: 'i', figure: 0.006, limit: 0.005, reads: /yard water/ },
      ],
      [
        inlet('downspout', { offered: 0.009, capacity: 0.005, valley: { offered: 0.006, capacity: 0.003 } }),
        { severity: 'fix', figure: 0.006 },
      ],
      [
        inlet('downspout', { offered: 0.006, capacity: 0.005, valley: { offered: 0.002, capacity: 0.003 } }),
        { severity: 'fix', figure: 0.006 },
      ],
    ],
  },
  {
    code: 'downspoutSmall',
    elements: [spout({ id: 'i', spillsTo: 'yard' })],
    silent: [],
    says: [
      [
        inlet('downspout', { offered: 0.006, capacity: 0.005 }),
        { severity: 'fix', figure: 0.006, more: { other: 'yard' }, reads: /runs to <yard>/ },
      ],
    ],
  },
  {
    code: 'valleyOvershoots',
    elements: [spout({ id: 'i' })],
    silent: [
      inlet('downspout', { valley: { offered: 0.003, capacity: 0.003 } }),
      inlet('downspout', { valley: null }),
      inlet('basin', { valley: { offered: 1, capacity: 0 } }),
    ],
    says: [
      [
        inlet('downspout', { valley: { offered: 0.004, capacity: 0.003 } }),
        { severity: 'fix', at: 'i', figure: 0.004, limit: 0.003, reads: /yard water/ },
      ],
    ],
  },
  {
    code: 'valleyOvershoots',
    elements: [spout({ id: 'i', spillsTo: 'yard' })],
    silent: [],
    says: [
      [
        inlet('downspout', { valley: { offered: 0.004, capacity: 0.003 } }),
        { severity: 'fix', figure: 0.004, more: { other: 'yard' }, reads: /runs to <yard>/ },
      ],
    ],
  },
  {
    code: 'gutterSpills',
    elements: [spout({ id: 'i' }), spout({ id: 'j' }), spout({ id: 'k', spillsTo: 'yard' })],
    silent: [
      {},
      { openings: { returnPeriod: 100, spills: { k: 1 } }, inlets: { k: { kind: 'downspout', overshoot: 0 } } },
      { openings: { returnPeriod: 100, spills: { i: 1 } }, inlets: { i: { kind: 'downspout', overshoot: 0.001 } } },
    ],
    says: [
      [
        {
          openings: { returnPeriod: 100, spills: { i: 0.001, j: 0.003 } },
          inlets: { i: { kind: 'downspout', overshoot: 0 }, j: { kind: 'downspout', overshoot: 0 } },
        },
        {
          severity: 'mind',
          at: 'j',
          figure: 0.003,
          limit: 0,
          more: { years: 100, others: 1 },
          reads: /one more spills/,
        },
      ],
      [
        { openings: { returnPeriod: 100, spills: { i: 0.001 } }, inlets: { i: { kind: 'downspout', overshoot: 0 } } },
        { severity: 'mind', at: 'i', figure: 0.001, more: { others: 0 }, reads: /spills \[flow 0.001\]\./ },
      ],
    ],
  },
  {
    code: 'lostWater',
    silent: [{}],
    says: [[{ sources: { lost: new Map([['face', 50]]) } }, { severity: 'fix', at: 'face', figure: 0.002, limit: 0 }]],
  },
  {
    code: 'flatInMulch',
    elements: [
      basin(),
      basin({ id: 'dome', grate: 'dome12' }),
      ground(20, 'basin', { cover: 'mulch' }),
      ground(20, 'dome', { cover: 'mulch' }),
    ],
    silent: [],
    says: [[{}, { severity: 'fix', at: 'basin', figure: 1, limit: 0 }]],
  },
  { code: 'flatInMulch', elements: [basin(), ground(20, 'basin', { cover: 'lawnLoam' })], silent: [{}], says: [] },
  {
    code: 'nothingLeads',
    elements: [basin({ id: 'n' })],
    silent: [
      { ...landing('n', { enteringArea: 1 }) },
      { ...landing('n', { entering: 0.001 }) },
      { ...landing('n'), ...runsOf(sound('r', { to: 'n' })) },
    ],
    says: [[{ ...landing('n') }, { severity: 'mind', at: 'n', figure: 0, limit: 1 }]],
  },
  {
    code: 'openingRainMissing',
    elements: [basin({ sillLevel: 0.1 })],
    silent: [],
    says: [[{}, { severity: 'mind', at: 'rain', figure: 0, limit: 1, more: { other: 'basin' } }]],
  },
  { code: 'openingRainMissing', elements: [basin()], silent: [{}], says: [] },
  {
    code: 'openingRainMissing',
    elements: [basin({ sillLevel: 0.1 }), rain({ openings: { returnPeriod: 100, intensity: 8e-5 } })],
    silent: [{}],
    says: [],
  },
];

it.each(EDGES.map((edge, k) => [edge.code, k, edge] as const))('%s (%d)', (_, __, edge) => holds(edge));
