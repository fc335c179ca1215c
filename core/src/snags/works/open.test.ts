/** Water in the open: each rule at its edge: silent on the one side, and on the other it says the figure, the limit and how bad it is. */
import type { Element } from '../../job/kinds';
import { type Edge, holds, place, rarer, work, landing } from '../../testing/edges';
import { basin } from '../../testing/parts';
import { bermOf, culvertOf, drainOf, swaleOf } from '../../testing/someWorks';

const IN = 0.0254;
const swale = (more: object) => ({
  pitch: 0.02,
  length: 20,
  freeboard: 0.2,
  flow: 0.02,
  capacity: 0.05,
  velocity: 1,
  mostVelocity: 1.5,
  shear: 10,
  mostShear: 45,
  ...more,
});
const culvert = (more: object) => ({
  pitch: 0.02,
  freeboard: 0.2,
  flow: 0.02,
  cover: 0.4,
  leastCover: 0.3,
  stone: 0,
  velocity: 1,
  ...more,
});
const line = (more: object = {}): Element =>
  ({
    id: 'line',
    kind: 'barrier',
    name: 'Boundary',
    form: 'propertyLine',
    way: [place(5, -5), place(5, 5)],
    ...more,
  }) as Element;
const east = (to: number, north = 0) => [place(0, north), place(to / 2, north), place(to, north)];
/** A door in a house's south wall, 2 m north of a swale along the east. */
const door = (more: object = {}): Element[] => [
  { id: 'house', kind: 'building', name: 'House', outline: [place(5, 2), place(15, 2), place(15, 8), place(5, 8)] },
  {
    id: 'door',
    kind: 'opening',
    name: 'Door',
    form: 'door',
    building: 'house',
    wall: 0,
    along: 5,
    sillLevel: 0.3,
    ...more,
  } as Element,
];
/** Water over a floor that falls from 0.2 to 0: at the side of the door that it comes to first, 0.45 m above its middle, the floor is at 0.1045. */
const beside = (more: object = {}) => swale({ headLevel: 0.2, footLevel: 0, depth: 0.1, topWidth: 1, ...more });

const OPEN: Edge[] = [
  {
    code: 'swaleUphill',
    silent: [work('swale', swale({})), work('culvert', swale({ pitch: -1 }))],
    says: [
      [work('swale', swale({ pitch: 0 })), { severity: 'stop', at: 'w', figure: 0, limit: 0 }],
      [work('swale', swale({ length: 0 })), { severity: 'stop', figure: 0.02 }],
    ],
  },
  {
    code: 'swaleOver',
    silent: [work('swale', swale({ freeboard: -0.0004 })), work('swale', swale({ freeboard: -1, pitch: 0 }))],
    says: [[work('swale', swale({ freeboard: -0.01 })), { severity: 'stop', figure: 0.02, limit: 0.05 }]],
  },
  {
    code: 'swaleLow',
    silent: [
      work('swale', swale({ freeboard: 4 * IN })),
      work('swale', swale({ freeboard: -0.01 })),
      work('swale', swale({ freeboard: 0.05, pitch: 0 })),
    ],
    says: [
      [work('swale', swale({ freeboard: 3.9 * IN })), { severity: 'fix', figure: 3.9 * IN, limit: 4 * IN }],
      [work('swale', swale({ freeboard: -0.0004 })), { severity: 'fix', figure: -0.0004 }],
    ],
  },
  {
    code: 'swaleScours',
    silent: [work('swale', swale({ velocity: 1.5, shear: 45 }))],
    says: [
      [work('swale', swale({ velocity: 1.6 })), { severity: 'fix', figure: 1.6, limit: 1.5 }],
      [work('swale', swale({ shear: 46 })), { severity: 'fix', figure: 1, limit: 1.5 }],
    ],
  },
  {
    code: 'swaleFlat',
    elements: [swaleOf({ id: 'w' })],
    silent: [work('swale', swale({ pitch: 0.01 })), work('swale', swale({ pitch: 0 }))],
    says: [[work('swale', swale({ pitch: 0.009 })), { severity: 'mind', figure: 0.009, limit: 0.01 }]],
  },
  // A drain under its middle, and one a pace and a half beside it.
  {
    code: 'swaleFlat',
    elements: [swaleOf({ id: 'w', way: east(20) }), drainOf({ way: east(20, 0.5) })],
    silent: [work('swale', swale({ pitch: 0.005 }))],
    says: [],
  },
  {
    code: 'swaleFlat',
    elements: [swaleOf({ id: 'w', way: east(20) }), drainOf({ way: east(20, 1.5) })],
    silent: [],
    says: [[work('swale', swale({ pitch: 0.005 })), { severity: 'mind', figure: 0.005 }]],
  },
  {
    code: 'swaleToNeighbour',
    elements: [swaleOf({ consent: 'needed' })],
    silent: [],
    says: [[{}, { severity: 'stop', at: 'swale', figure: 1, limit: 0 }]],
  },
  {
    code: 'swaleToNeighbour',
    elements: [swaleOf({ consent: 'given', way: east(10) }), line()],
    silent: [{}],
    says: [],
  },
  {
    code: 'swaleToNeighbour',
    elements: [swaleOf({ way: east(10) }), line()],
    silent: [],
    says: [[{}, { severity: 'stop', at: 'swale', figure: 1, more: { other: 'line' } }]],
  },
  { code: 'swaleToNeighbour', elements: [swaleOf({ way: east(4) }), line()], silent: [{}], says: [] },
  {
    code: 'swaleToNeighbour',
    elements: [swaleOf({ way: east(10) }), line({ consent: 'given' })],
    silent: [{}],
    says: [],
  },
  { code: 'swaleToNeighbour', elements: [swaleOf({ way: east(10) }), line({ form: 'wall' })], silent: [{}], says: [] },
  {
    code: 'swaleAtDoor',
    elements: [swaleOf({ id: 'w', way: east(20) }), ...door()],
    silent: [
      work('swale', beside({ depth: 0.2 - 0.0045 - 3 * IN })),
      work('swale', beside({ flow: 0 })),
      rarer('swale', beside({}), beside({ depth: 0.01 })),
    ],
    says: [
      [
        work('swale', beside({ depth: 0.1455 })),
        {
          severity: 'stop',
          at: 'w',
          figure: 0.05,
          limit: 3 * IN,
          more: { other: 'door' },
          reads: /small 0.05\] under/,
        },
      ],
      [
        {
          ...rarer('swale', beside({ depth: 0.01 }), beside({ depth: 0.2455 })),
          openings: { returnPeriod: 100, freeboards: {} },
        },
        { severity: 'stop', figure: -0.05, more: { years: 100 }, reads: /small 0.05\] over.*100-year/ },
      ],
    ],
  },
  // The other way along the wall it comes to the other side first.
  {
    code: 'swaleAtDoor',
    elements: [swaleOf({ id: 'w', way: east(20).reverse() }), ...door()],
    silent: [],
    says: [[work('swale', beside({ depth: 0.1455 })), { severity: 'stop', figure: 0.05, more: { other: 'door' } }]],
  },
  {
    code: 'swaleAtDoor',
    elements: [swaleOf({ id: 'w', way: east(20, -1.1) }), ...door()],
    silent: [work('swale', beside({ depth: 0.3 }))],
    says: [],
  },
  {
    code: 'swaleAtDoor',
    elements: [swaleOf({ id: 'w', way: east(20) }), ...door({ sillLevel: undefined })],
    silent: [work('swale', beside({ depth: 0.3 }))],
    says: [],
  },
  {
    code: 'swaleOverRarer',
    silent: [
      work('swale', swale({ freeboard: -1 })),
      rarer('swale', swale({}), swale({ freeboard: -0.0004 })),
      rarer('swale', swale({}), swale({ pitch: 0, freeboard: -1 })),
    ],
    says: [
      [rarer('swale', swale({}), swale({ freeboard: -0.05 })), { severity: 'mind', at: 'w', figure: 0.05, limit: 0 }],
    ],
  },
  {
    code: 'culvertUphill',
    silent: [work('culvert', culvert({ pitch: 0 }))],
    says: [[work('culvert', culvert({ pitch: -0.01 })), { severity: 'stop', at: 'w', figure: -0.01, limit: 0 }]],
  },
  {
    code: 'culvertOverRoad',
    silent: [work('culvert', culvert({ freeboard: -0.0004 })), work('culvert', culvert({ freeboard: -1, flow: 0 }))],
    says: [[work('culvert', culvert({ freeboard: -0.03 })), { severity: 'stop', figure: 0.03, limit: 0 }]],
  },
  {
    code: 'culvertRarer',
    silent: [
      work('culvert', culvert({ freeboard: -1 })),
      rarer('culvert', culvert({}), culvert({ freeboard: -0.0004 })),
      rarer('culvert', culvert({}), culvert({ freeboard: -1, flow: 0 })),
    ],
    says: [
      [rarer('culvert', culvert({}), culvert({ freeboard: -0.03 })), { severity: 'mind', figure: 0.03, limit: 0 }],
    ],
  },
  {
    code: 'culvertAboveRoad',
    silent: [work('culvert', culvert({ cover: 0 }))],
    says: [[work('culvert', culvert({ cover: -0.05 })), { severity: 'stop', figure: 0.05, limit: 0.3 }]],
  },
  {
    code: 'culvertCover',
    silent: [work('culvert', culvert({ cover: 0.2996 })), work('culvert', culvert({ cover: -0.05 }))],
    says: [
      [work('culvert', culvert({ cover: 0.29 })), { severity: 'fix', figure: 0.29, limit: 0.3 }],
      [work('culvert', culvert({ cover: 0 })), { severity: 'fix', figure: 0 }],
    ],
  },
  {
    code: 'culvertScours',
    elements: [culvertOf({ id: 'w', stone: false })],
    silent: [work('culvert', culvert({}))],
    says: [
      [
        work('culvert', culvert({ stone: 0.1, velocity: 3 })),
        { severity: 'fix', figure: 3, limit: 0, more: { stone: 0.1 }, reads: /\[small 0.1\]/ },
      ],
    ],
  },
  {
    code: 'culvertScours',
    elements: [culvertOf({ id: 'w', stone: true })],
    silent: [work('culvert', culvert({ stone: 0.1 }))],
    says: [],
  },
  {
    code: 'bermOver',
    silent: [
      work('berm', { freeboard: null }),
      work('berm', { freeboard: -0.0004 }),
      rarer('berm', { freeboard: -1 }, { freeboard: 0.1 }),
    ],
    says: [
      [work('berm', { freeboard: -0.02 }), { severity: 'stop', figure: 0.02, limit: 0 }],
      [rarer('berm', { freeboard: 0.2 }, { freeboard: -0.03 }), { severity: 'stop', figure: 0.03 }],
    ],
  },
  {
    code: 'bermLow',
    silent: [
      work('berm', { freeboard: null }),
      work('berm', { freeboard: 4 * IN }),
      work('berm', { freeboard: -0.02 }),
      rarer('berm', { freeboard: 0 }, { freeboard: 0.2 }),
    ],
    says: [
      [work('berm', { freeboard: 3.9 * IN }), { severity: 'fix', figure: 3.9 * IN, limit: 4 * IN }],
      [work('berm', { freeboard: -0.0004 }), { severity: 'fix', figure: -0.0004 }],
    ],
  },
  {
    code: 'bermTraps',
    elements: [bermOf({ id: 'w' })],
    silent: [{}],
    says: [[work('berm', { trapped: 0.003 }), { severity: 'fix', figure: 0.003, limit: 0 }]],
  },
  {
    code: 'bermTraps',
    elements: [bermOf({ id: 'w', to: 'basin' }), basin()],
    silent: [work('berm', { trapped: 0.003 })],
    says: [],
  },
  {
    code: 'bermDrainDrowns',
    elements: [bermOf({ id: 'w', to: 'basin' }), basin()],
    silent: [
      { ...work('berm', {}), ...landing('basin', { waterLevel: 0.0004 }) },
      { ...work('berm', {}), ...landing('basin', {}) },
      work('berm', {}),
    ],
    says: [
      [
        { ...work('berm', {}), ...landing('basin', { waterLevel: 0.05 }) },
        { severity: 'fix', figure: 0.05, limit: 0, more: { other: 'basin' } },
      ],
    ],
  },
  {
    code: 'bermAcross',
    elements: [bermOf({ way: [place(5, -5), place(5, 5)] }), swaleOf({ way: east(10) })],
    silent: [],
    says: [[{}, { severity: 'stop', at: 'berm', figure: 1, limit: 0, more: { other: 'swale' } }]],
  },
  {
    code: 'bermAcross',
    elements: [bermOf({ way: [place(5, 1), place(5, 5)] }), swaleOf({ way: east(10) })],
    silent: [{}],
    says: [],
  },
];

it.each(OPEN.map((edge, k) => [edge.code, k, edge] as const))('%s (%d)', (_, __, edge) => holds(edge));
