/** Where lines end: each rule at its edge: silent on the one side, and on the other it says the figure, the limit and how bad it is. */
import { type Edge, holds, landing, runsOf, sound } from '../testing/edges';
import { basin, node, out } from '../testing/parts';

const IN = 0.0254;
const FT = 0.3048;
const end = (more: object): object => ({
  ends: [{ run: 'r', discharge: 'out', invert: -1, control: -1, over: 0, shortBy: 0, drop: 0, ...more }],
  ...runsOf(sound('r', { to: 'out' })),
});
const both = {
  landings: Object.fromEntries(['m', 'n'].map((id) => [id, { id, kind: 'basin', groundLevel: 0, outlet: 'out' }])),
};

const EDGES: Edge[] = [
  {
    code: 'outOfFall',
    elements: [out()],
    silent: [end({ over: 0 }), end({ over: -IN / 17 })],
    says: [
      [
        end({ over: -IN / 15, shortBy: 2 }),
        { severity: 'stop', at: 'out', figure: 2, limit: -IN / 15, more: { other: 'r' } },
      ],
      // Of two pipes the one that ends lowest against it.
      [
        {
          ends: [
            { run: 'a', discharge: 'out', over: -0.1, shortBy: 3 },
            { run: 'b', discharge: 'out', over: -0.2, shortBy: 4 },
            { run: 'c', discharge: 'out', over: 1, shortBy: 0 },
          ],
        },
        { severity: 'stop', figure: 4, limit: -0.2, more: { other: 'b' } },
      ],
    ],
  },
  { code: 'outOfFall', elements: [out({ form: 'popup' })], silent: [end({ over: -1, shortBy: 2 })], says: [] },
  {
    code: 'hangsOut',
    elements: [out({ groundLevel: -1 })],
    silent: [end({ invert: -0.9 })],
    says: [[end({ invert: -0.85 }), { severity: 'fix', at: 'r', figure: 0.15, limit: 0, more: { other: 'out' } }]],
  },
  { code: 'hangsOut', elements: [out({ form: 'popup', groundLevel: -1 })], silent: [end({ invert: 0 })], says: [] },
  {
    code: 'standsInPipe',
    elements: [out({ standingLevel: -0.9 })],
    silent: [end({ invert: -0.9004 })],
    says: [
      [
        end({ invert: -0.95 }),
        {
          severity: 'mind',
          at: 'r',
          figure: 0.05,
          limit: 0.1,
          more: { other: 'out' },
          reads: /the end of the pipe stands in water/,
        },
      ],
      [end({ invert: -1.1 }), { severity: 'mind', figure: 0.2, reads: /the line above it fills/ }],
    ],
  },
  { code: 'standsInPipe', elements: [out()], silent: [end({ invert: -5 })], says: [] },
  {
    code: 'standsInPipe',
    elements: [out({ form: 'popup', standingLevel: 0 })],
    silent: [end({ invert: -5 })],
    says: [],
  },
  {
    code: 'standsInPipe',
    elements: [out({ form: 'main', standingLevel: -0.9 })],
    silent: [end({ invert: -1 })],
    says: [[end({ invert: -1.01 }), { severity: 'mind', figure: 0.11 }]],
  },
  {
    code: 'mainLevelMissing',
    elements: [out({ form: 'main', controlLevel: undefined })],
    silent: [{}],
    says: [[end({}), { severity: 'stop', at: 'out', figure: 0, limit: 1 }]],
  },
  { code: 'mainLevelMissing', elements: [out({ form: 'main', controlLevel: -1 })], silent: [end({})], says: [] },
  {
    code: 'mainUnknown',
    elements: [out({ form: 'main', controlLevel: -1 })],
    silent: [{}],
    says: [[end({}), { severity: 'mind', at: 'out', figure: 0, limit: 1 }]],
  },
  {
    code: 'mainUnknown',
    elements: [out({ form: 'main', mainDiameter: 0.3, mainPitch: 0.01 })],
    silent: [end({})],
    says: [],
  },
  {
    code: 'mainUnknown',
    elements: [out({ form: 'main', mainCapacity: 0.1, standingLevel: -1 })],
    silent: [end({})],
    says: [],
  },
  {
    code: 'mainUnknown',
    elements: [out({ form: 'main', mainCapacity: 0.1 })],
    silent: [],
    says: [[end({}), { severity: 'mind', figure: 0 }]],
  },
  {
    code: 'mainSanitary',
    elements: [out({ form: 'main', mainIs: 'sanitary' })],
    silent: [{}],
    says: [[end({}), { severity: 'stop', at: 'out', figure: 1, limit: 0 }]],
  },
  {
    code: 'mainNotKnown',
    elements: [out({ form: 'main', mainIs: 'unknown' })],
    silent: [{}],
    says: [[end({}), { severity: 'stop', at: 'out', figure: 0, limit: 1 }]],
  },
  // A ditch that was once taken for a main is none.
  { code: 'mainSanitary', elements: [out({ mainIs: 'sanitary' })], silent: [end({})], says: [] },
  { code: 'mainNotKnown', elements: [out({ form: 'main', mainIs: 'storm' })], silent: [end({})], says: [] },
  { code: 'mainUnknown', elements: [out()], silent: [end({})], says: [] },
  {
    code: 'mainFull',
    elements: [out({ form: 'main', mainCapacity: 0.01, mainUsed: 0.004 })],
    silent: [{ ...landing('out', { passing: 0.0049 }) }],
    says: [
      [{ ...landing('out', { passing: 0.0051 }) }, { severity: 'mind', at: 'out', figure: 0.0091, limit: 0.01 }],
      [{ ...landing('out', { passing: 0.006 }) }, { severity: 'mind', figure: 0.01 }],
      [{ ...landing('out', { passing: 0.0061 }) }, { severity: 'stop', figure: 0.0101, limit: 0.01 }],
    ],
  },
  {
    code: 'mainFull',
    elements: [out({ form: 'main' })],
    silent: [{ ...landing('out', { passing: 9 }) }],
    says: [],
  },
  {
    code: 'nearBuilding',
    elements: [out({ buildingDistance: 10 * FT })],
    silent: [{}],
    says: [],
  },
  {
    code: 'nearBuilding',
    elements: [out({ buildingDistance: 9.9 * FT })],
    silent: [],
    says: [[{}, { severity: 'stop', at: 'out', figure: 9.9 * FT, limit: 10 * FT }]],
  },
  {
    code: 'waterOverGrate',
    elements: [basin({ id: 'n' }), out()],
    silent: [{ ...landing('n', { waterLevel: 0.0004 }) }, { ...landing('n', { waterLevel: null }) }],
    says: [[{ ...landing('n', { waterLevel: 0.03 }) }, { severity: 'stop', at: 'n', figure: 0.03, limit: 0 }]],
  },
  {
    code: 'waterOverGrate',
    elements: [node('wye', { id: 'n' }), out()],
    silent: [{ ...landing('n', { waterLevel: 1 }) }],
    says: [],
  },
  {
    code: 'waterOverGrate',
    elements: [node('cleanout', { id: 'n' }), out()],
    silent: [],
    says: [[{ ...landing('n', { waterLevel: 1 }) }, { severity: 'stop', figure: 1 }]],
  },
  // A pop-up's lid an inch over the grate does it alone, and is told as that.
  {
    code: 'waterOverGrate',
    elements: [basin({ id: 'n' }), out({ form: 'popup', groundLevel: 0 })],
    silent: [{ ...landing('n', { waterLevel: 0.2, kind: 'basin' }) }],
    says: [],
  },
  {
    code: 'lidAboveInlet',
    elements: [
      basin({ id: 'n', groundLevel: 0 }),
      basin({ id: 'm', groundLevel: 0.01 }),
      out({ form: 'popup', groundLevel: 0 }),
    ],
    silent: [{ ...landing('n', { kind: 'junction' }) }, { ...landing('n', { kind: 'basin', outlet: null }) }],
    says: [[both, { severity: 'stop', at: 'out', figure: IN, limit: 0, more: { other: 'n' } }]],
  },
  {
    code: 'lidAboveInlet',
    elements: [basin({ id: 'n', groundLevel: 0.03 }), out({ form: 'popup', groundLevel: 0 })],
    silent: [{ ...landing('n', { kind: 'basin' }) }],
    says: [],
  },
  {
    code: 'popupHolds',
    silent: [{ standing: {} }, { standing: { out: { depth: 0.1, length: 4, drainTime: 86_400, fed: false } } }],
    says: [
      [
        { standing: { out: { depth: 0.1, length: 4, drainTime: 90_000, fed: false } } },
        {
          severity: 'mind',
          at: 'out',
          figure: 0.1,
          limit: 0,
          more: { length: 4, time: 90_000, fed: false },
          reads: /for 25 hours/,
        },
      ],
      [
        { standing: { out: { depth: 0.1, length: 4, drainTime: 72 * 3600, fed: false } } },
        { severity: 'mind', figure: 0.1, reads: /for 3 days/ },
      ],
      [
        { standing: { out: { depth: 0.1, length: 4, drainTime: 73 * 3600, fed: false } } },
        { severity: 'fix', figure: 0.1, reads: /for 3 days/ },
      ],
      [
        { standing: { out: { depth: 0.1, length: 4, drainTime: null, fed: true } } },
        { severity: 'fix', figure: 0.1, more: { fed: true }, reads: /nothing to drain it.*always runs into it/ },
      ],
    ],
  },
  {
    code: 'stoneMissing',
    elements: [out()],
    silent: [
      end({}),
      { ...runsOf(sound('r', { to: 'out', topVelocity: 1.5 })) },
      { ...runsOf(sound('r', { topVelocity: 3 })) },
    ],
    says: [
      [
        runsOf(
          sound('a', { to: 'out', topVelocity: 2.1, flow: 0.004, parallel: 1 }),
          sound('b', { to: 'out', topVelocity: 2, flow: 0.1, diameter: 0.2, parallel: 1 }),
        ),
        { severity: 'fix', at: 'out', figure: 2, limit: 1.5, more: { other: 'b' } },
      ],
    ],
  },
  {
    code: 'stoneMissing',
    elements: [out({ stone: true })],
    silent: [runsOf(sound('r', { to: 'out', topVelocity: 3, parallel: 1 }))],
    says: [],
  },
  {
    code: 'stoneMissing',
    elements: [out({ receiving: 'street' })],
    silent: [runsOf(sound('r', { to: 'out', topVelocity: 3, parallel: 1 }))],
    says: [],
  },
  {
    code: 'dropAtMain',
    silent: [end({ drop: 0.0005 })],
    says: [[end({ drop: 0.4 }), { severity: 'mind', at: 'r', figure: 0.4, limit: 0, more: { other: 'out' } }]],
  },
  {
    code: 'noDischarge',
    elements: [basin({ id: 'n' })],
    silent: [
      { ...landing('n') },
      { ...landing('n', { outlet: null }), ...runsOf(sound('r', { from: 'n' })) },
      { ...landing('n', { outlet: null, passing: 0 }) },
    ],
    says: [
      [{ ...landing('n', { outlet: null }) }, { severity: 'stop', at: 'n', figure: 0.002, limit: 0 }],
      [
        { ...landing('n', { outlet: null, passing: 0 }), ...runsOf(sound('r', { to: 'n' })) },
        { severity: 'stop', at: 'n', figure: 0 },
      ],
    ],
  },
];

it.each(EDGES.map((edge, k) => [edge.code, k, edge] as const))('%s (%d)', (_, __, edge) => holds(edge));
