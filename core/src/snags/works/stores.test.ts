/** What keeps water or lifts it: each rule at its edge: silent on the one side, and on the other it says the figure, the limit and how bad it is. */
import type { Element } from '../../job/kinds';
import { type Edge, holds, place, rarer, work } from '../../testing/edges';
import { basin, out, pipe } from '../../testing/parts';
import { bedOf, pumpOf } from '../../testing/someWorks';

const DAY = 86_400;
const FT = 0.3048;
const IN = 0.0254;

const pump = (more: object) => ({
  rate: 0.004,
  lift: 2,
  most: 7,
  short: 0,
  flow: 0.001,
  cyclesPerHour: 5,
  worstCyclesPerHour: 10,
  outage: 3600,
  ...more,
});
const store = (more: object) => ({
  overTable: null,
  overflow: 0,
  fillTime: 100,
  drainTime: 3600,
  soil: 'sand',
  ...more,
});
const stone = (more: object) => ({ freeboard: 0.2, over: 0, flow: 0.003, below: 0.06, ...more });
const square = (east: number, north: number, side = 4) => [
  place(east, north),
  place(east + side, north),
  place(east + side, north + side),
  place(east, north + side),
];

const KEEPING: Edge[] = [
  {
    code: 'pumpTooWeak',
    silent: [work('pump', pump({}))],
    says: [[work('pump', pump({ rate: 0 })), { severity: 'stop', at: 'w', figure: 2, limit: 7 }]],
  },
  {
    code: 'pumpBehind',
    silent: [work('pump', pump({})), work('pump', pump({ rate: 0, short: 1 }))],
    says: [[work('pump', pump({ flow: 0.005, short: 0.001 })), { severity: 'fix', figure: 0.005, limit: 0.004 }]],
  },
  {
    code: 'pumpStarts',
    silent: [
      work('pump', pump({ cyclesPerHour: 15 })),
      work('pump', pump({ cyclesPerHour: null, worstCyclesPerHour: 30 })),
      work('pump', pump({ flow: 0.0019, worstCyclesPerHour: 30 })),
      work('pump', pump({ flow: 0.002, worstCyclesPerHour: 15, cyclesPerHour: 40 })),
      work('pump', pump({ rate: 0, cyclesPerHour: 40, worstCyclesPerHour: 40 })),
    ],
    says: [
      [work('pump', pump({ cyclesPerHour: 16, worstCyclesPerHour: 20 })), { severity: 'fix', figure: 20, limit: 15 }],
      [work('pump', pump({ flow: 0.002, worstCyclesPerHour: 16 })), { severity: 'fix', figure: 16 }],
    ],
  },
  {
    code: 'pumpOutage',
    silent: [
      work('pump', pump({ outage: 900 })),
      work('pump', pump({ outage: null })),
      work('pump', pump({ rate: 0, outage: 1 })),
    ],
    says: [[work('pump', pump({ outage: 890 })), { severity: 'mind', figure: 890, limit: 900 }]],
  },
  { code: 'pumpBare', elements: [out(pumpOf(7, 0.008))], silent: [{}], says: [] },
  ...(['checkValve', 'alarm', 'freezeOverflow'] as const).map((part): Edge => ({
    code: 'pumpBare',
    elements: [out(pumpOf(7, 0.008, { [part]: false }))],
    silent: [],
    says: [[{}, { severity: 'mind', at: 'out', figure: 1, limit: 0 }]],
  })),
  {
    code: 'pumpBare',
    elements: [out({ form: 'pump', bank: undefined })],
    silent: [],
    says: [[{}, { severity: 'mind', figure: 1 }]],
  },
  { code: 'pumpBare', elements: [out()], silent: [{}], says: [] },
  {
    code: 'storeInWater',
    silent: [work('store', store({ overTable: 0 })), work('store', store({}))],
    says: [[work('store', store({ overTable: -0.2 })), { severity: 'stop', figure: 0.2, limit: 2 * FT }]],
  },
  {
    code: 'storeNearWater',
    silent: [
      work('store', store({ overTable: 2 * FT })),
      work('store', store({ overTable: -0.1 })),
      work('store', store({})),
    ],
    says: [
      [work('store', store({ overTable: 1.9 * FT })), { severity: 'fix', figure: 1.9 * FT, limit: 2 * FT }],
      [work('store', store({ overTable: 0 })), { severity: 'fix', figure: 0 }],
    ],
  },
  {
    code: 'storeOver',
    silent: [work('store', store({ overflow: 1e-10 }))],
    says: [
      [
        work('store', store({ overflow: 0.002 })),
        { severity: 'fix', figure: 0.002, limit: 0, more: { time: 100 }, reads: /in \[time 100\] of the design rain/ },
      ],
      [
        work('store', store({ overflow: 0.002, fillTime: null })),
        { severity: 'fix', figure: 0.002, reads: /full in the storm/ },
      ],
    ],
  },
  {
    code: 'storeSlow',
    silent: [work('store', store({ drainTime: DAY }))],
    says: [
      [
        work('store', store({ drainTime: 1.1 * DAY })),
        { severity: 'mind', figure: 1.1 * DAY, limit: 3 * DAY, reads: /takes \[time/ },
      ],
      [work('store', store({ drainTime: 3 * DAY })), { severity: 'mind', figure: 3 * DAY }],
      [
        work('store', store({ drainTime: 3.1 * DAY })),
        { severity: 'fix', figure: 3.1 * DAY, more: { time: 3.1 * DAY } },
      ],
      [work('store', store({ drainTime: null })), { severity: 'fix', figure: 1e9, reads: /for ever/ }],
    ],
  },
  {
    code: 'storeInClay',
    elements: [out({ id: 'w', form: 'dryWell', bank: undefined })],
    silent: [work('store', store({})), work('store', store({ soil: 'loam' }))],
    says: [
      [work('store', store({ soil: 'clay' })), { severity: 'fix', at: 'w', figure: 1, limit: 0 }],
      [work('store', store({ soil: 'clayLoam' })), { severity: 'fix', figure: 1 }],
    ],
  },
  ...(
    [
      [9e-7, 1],
      [1e-6, 0],
    ] as const
  ).map(([conductivity, found]): Edge => ({
    code: 'storeInClay',
    elements: [
      out({
        id: 'w',
        form: 'dryWell',
        bank: undefined,
        store: { area: 4, depth: 1, cover: 0.5, voids: 0.9, conductivity },
      }),
    ],
    silent: found ? [] : [work('store', store({ soil: 'clay' }))],
    says: found ? [[work('store', store({ soil: 'clay' })), { severity: 'fix', figure: 1 }]] : [],
  })),
  {
    code: 'storeBySeptic',
    elements: [
      out({ id: 'w', form: 'dryWell', bank: undefined, place: place(0, 0) }),
      { id: 's', kind: 'service', name: 'Field', form: 'septicField', way: square(10, -2) },
      { id: 'g', kind: 'service', name: 'Gas', form: 'gas', way: [place(1, -2), place(1, 2)] },
    ],
    silent: [{}],
    says: [[work('store', store({})), { severity: 'fix', at: 'w', figure: 10, limit: 50 * FT }]],
  },
  {
    code: 'storeBySeptic',
    elements: [
      out({ id: 'w', form: 'dryWell', bank: undefined, place: place(0, 0) }),
      { id: 's', kind: 'service', name: 'Field', form: 'septicField', way: [place(12, -2), place(12, 2)] },
    ],
    silent: [],
    says: [[work('store', store({})), { severity: 'fix', figure: 12 }]],
  },
  {
    code: 'storeBySeptic',
    elements: [
      out({ id: 'w', place: place(0, 0) }),
      { id: 's', kind: 'service', name: 'Field', form: 'septicField', way: square(15.3, -2) },
    ],
    silent: [work('store', store({}))],
    says: [],
  },
  {
    code: 'bedTowardHouse',
    elements: [bedOf({ fall: 0 }), bedOf({ id: 'other', fall: undefined })],
    silent: [{}],
    says: [],
  },
  {
    code: 'bedTowardHouse',
    elements: [bedOf({ fall: -0.01 })],
    silent: [],
    says: [[{}, { severity: 'stop', at: 'bed', figure: -0.01, limit: 0 }]],
  },
  {
    code: 'bedOver',
    silent: [work('pavedBed', { over: 1e-10 })],
    says: [[work('pavedBed', { over: 0.001 }), { severity: 'fix', figure: 0.001, limit: 0 }]],
  },
  {
    code: 'bedSlow',
    silent: [work('pavedBed', { drainTime: 3 * DAY })],
    says: [
      [
        work('pavedBed', { drainTime: 4 * DAY }),
        { severity: 'fix', figure: 4 * DAY, limit: 3 * DAY, more: { time: 4 * DAY }, reads: /takes \[time/ },
      ],
      [work('pavedBed', { drainTime: null }), { severity: 'fix', figure: 1e9, reads: /for ever/ }],
    ],
  },
  {
    code: 'barrelFreezes',
    elements: [
      {
        id: 'b',
        kind: 'barrel',
        name: 'Barrel',
        volume: 0.2,
        groundLevel: 0,
        opened: 10,
        shut: 4,
      } as unknown as Element,
    ],
    silent: [{}],
    says: [],
  },
  {
    code: 'barrelFreezes',
    elements: [
      { id: 'b', kind: 'barrel', name: 'Barrel', volume: 0.2, groundLevel: 0, opened: 10 } as unknown as Element,
    ],
    silent: [],
    says: [[{}, { severity: 'mind', at: 'b', figure: 1, limit: 0 }]],
  },
  {
    code: 'barrelFreezes',
    elements: [{ id: 'b', kind: 'barrel', name: 'Barrel', volume: 0.2, groundLevel: 0, shut: 4 } as unknown as Element],
    silent: [],
    says: [[{}, { severity: 'mind', figure: 1 }]],
  },
  {
    code: 'waterAtDoor',
    silent: [
      work('stoneDrain', stone({ freeboard: -0.0004 })),
      work('stoneDrain', stone({ freeboard: null })),
      rarer('stoneDrain', stone({ freeboard: -1 }), stone({})),
    ],
    says: [
      [work('stoneDrain', stone({ freeboard: -0.02 })), { severity: 'stop', figure: 0.02, limit: 0 }],
      [rarer('stoneDrain', stone({}), stone({ freeboard: -0.03 })), { severity: 'stop', figure: 0.03 }],
    ],
  },
  {
    code: 'stoneDrainClose',
    silent: [work('stoneDrain', stone({ freeboard: 3 * IN })), work('stoneDrain', stone({ freeboard: -0.02 }))],
    says: [
      [work('stoneDrain', stone({ freeboard: 2.9 * IN })), { severity: 'fix', figure: 2.9 * IN, limit: 3 * IN }],
      [work('stoneDrain', stone({ freeboard: -0.0004 })), { severity: 'fix', figure: -0.0004 }],
    ],
  },
  {
    code: 'stoneOver',
    silent: [work('stoneDrain', stone({ over: 1e-10 }))],
    says: [[work('stoneDrain', stone({ over: 0.001 })), { severity: 'fix', figure: 0.001, limit: 0.003 }]],
  },
  {
    code: 'stoneHigh',
    silent: [work('stoneDrain', stone({ below: 2 * IN - 0.0004 })), work('stoneDrain', stone({ below: null }))],
    says: [[work('stoneDrain', stone({ below: 1.9 * IN })), { severity: 'fix', figure: 1.9 * IN, limit: 2 * IN }]],
  },
  ...(
    [
      [0.1201, 0],
      [0.119, 1],
    ] as const
  ).map(([nominal, found]): Edge => ({
    code: 'sleeveSmall',
    elements: [
      basin(),
      out(),
      pipe('basin', { id: 'r', nominal: 0.1 }),
      { id: 's', kind: 'sleeve', name: 'Sleeve', nominal, length: 3, holds: 'r' } as unknown as Element,
    ],
    silent: found ? [] : [{}],
    says: found ? [[{}, { severity: 'fix', at: 's', figure: nominal, limit: 0.1, more: { other: 'r' } }]] : [],
  })),
  {
    code: 'sleeveSmall',
    elements: [{ id: 's', kind: 'sleeve', name: 'Sleeve', nominal: 0.05, length: 3 } as unknown as Element],
    silent: [{}],
    says: [],
  },
  {
    code: 'grateAtEnd',
    elements: [out({ end: 'grate' })],
    silent: [],
    says: [[{}, { severity: 'fix', at: 'out', figure: 1, limit: 0 }]],
  },
  { code: 'grateAtEnd', elements: [out({ end: 'guard' })], silent: [{}], says: [] },
  ...(
    [
      [{ fate: 'kept', state: 'silted' }, true],
      [{ fate: 'kept', state: 'sound' }, false],
      [{ fate: 'kept' }, false],
      [{ fate: 'cutOff', state: 'silted' }, false],
      [undefined, false],
    ] as const
  ).map(([old, found]): Edge => ({
    code: 'oldPipePoor',
    elements: [basin(), out(), pipe('basin', { id: 'r', ...(old ? { old } : {}) })],
    silent: found ? [] : [{}],
    says: found ? [[{}, { severity: 'fix', at: 'r', figure: 1, limit: 0 }]] : [],
  })),
];

it.each(KEEPING.map((edge, k) => [edge.code, k, edge] as const))('%s (%d)', (_, __, edge) => holds(edge));
