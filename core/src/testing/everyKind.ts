/** A levelled yard with something of all kinds in it, and edits of any of them: for laws about whatever a job may hold. */
import { changed, put } from '../job/change';
import { jobFaults } from '../job/faults';
import { jobFrom, type Job } from '../job/job';
import { ELEMENT_KINDS, elementSchema, type Element } from '../job/kinds';
import { quillfeather } from '../samples';
import type { Hand } from '../numeric/dice';
import { bedOf, bermOf, culvertOf, drainOf, fieldOf, stoneOf, swaleOf } from './someWorks';

const at = (east: number, north: number) => ({ east, north });
const HASH = 'a'.repeat(64);

/** What the sample lacks, placed on its ground. */
const MORE: readonly Element[] = [
  swaleOf({
    id: 'way',
    to: 'road',
    way: [at(-2, -3), at(-9, -2), at(-12, 3)],
    headLevel: undefined,
    footLevel: undefined,
  }),
  culvertOf({ id: 'road', to: 'lowSwale' }),
  swaleOf({ id: 'lowSwale', headLevel: -1.3, footLevel: -1.6, to: 'pit' }),
  bermOf({ id: 'bank', holds: 'way', to: 'wetDrain', way: [at(-2, -1), at(-9, 0)] }),
  drainOf({ id: 'wetDrain', levelFrom: 'ground', way: [at(19, -14), at(27, -14)] }),
  fieldOf({ id: 'field', groundLevel: -0.4, outline: [at(18, -4), at(27, -4), at(27, -12), at(18, -12)] }),
  stoneOf({ id: 'stone', slabLevel: 0, sillLevel: 0.1, way: [at(7, -19), at(7, -22)] }),
  bedOf({ id: 'bed', outline: [at(-1, -20), at(5, -20), at(5, -15), at(-1, -15)] }),
  { id: 'barrel', kind: 'barrel', name: 'Barrel', groundLevel: 0, volume: 0.2, place: at(15, -23) },
  { id: 'sleeve', kind: 'sleeve', name: 'Sleeve', nominal: 0.2, use: 'pipe', length: 3, holds: 'runDrain' },
  { id: 'sump', kind: 'fixedFlow', name: 'Sump', flow: 0.0004, place: at(16, -10), feeds: [] },
  { id: 'spring', kind: 'fixedFlow', name: 'Spring', flow: 0.0002, feeds: [{ to: 'way', share: 1 }] },
  {
    id: 'pit',
    kind: 'discharge',
    name: 'Dry well',
    form: 'dryWell',
    receiving: 'lawn',
    groundLevel: -1,
    buildingDistance: 8,
  },
  {
    id: 'pump',
    kind: 'discharge',
    name: 'Pump',
    form: 'pump',
    receiving: 'street',
    groundLevel: -0.5,
    buildingDistance: 6,
  },
  {
    id: 'intoWay',
    kind: 'discharge',
    name: 'Into the swale',
    form: 'daylight',
    receiving: 'swale',
    into: 'way',
    place: at(-9, -2),
    groundLevel: -0.3,
    buildingDistance: 9,
  },
  ...(
    [
      ['runDrain', 'wetDrain', 'basin'],
      ['runField', 'field', 'pump'],
      ['runStone', 'stone', 'intoWay'],
      ['runBed', 'bed', 'intoWay'],
      ['runBarrel', 'barrel', 'pit'],
    ] as const
  ).map(([id, from, to]): Element => ({
    id,
    kind: 'run',
    from,
    to,
    length: 9,
    material: 'smooth',
    nominal: 0.1016,
    grade: { type: 'auto' },
  })),
  {
    id: 'book',
    kind: 'levelBook',
    name: 'Book',
    readings: [
      { point: 'levelLawn1', sight: 'back', rod: 1.2 },
      { point: 'levelLawn3', sight: 'between', rod: 1.31 },
      { point: 'levelLawn5', sight: 'fore', rod: 1.4 },
    ],
  },
  {
    id: 'photo',
    kind: 'photo',
    name: 'Photo',
    file: HASH,
    place: at(2, 2),
  },
  {
    id: 'map',
    kind: 'underlay',
    name: 'Map',
    file: HASH,
    ratio: 1.4,
    a: { spot: { across: 0, down: 0 }, place: at(0, 0) },
    b: { spot: { across: 1, down: 1 }, place: at(30, -20) },
  },
  { id: 'asked', kind: 'clearance', of: 'locate', state: 'asked' },
  { id: 'stepOne', kind: 'step', of: 'dig', hours: 3 },
  { id: 'noteOne', kind: 'note', sort: 'extra', text: 'A trap by the gate', on: '2026-11-30', amount: 25_000 },
  {
    id: 'other',
    kind: 'variant',
    name: 'Other',
    elements: [{ id: 'lone', kind: 'junction', name: 'Lone', form: 'wye', groundLevel: 0 }],
    links: {},
  },
  {
    id: 'poured',
    kind: 'visit',
    at: '2026-11-30T09:00:00Z',
    test: { type: 'hose', into: 'basin', bucket: { volume: 0.019, seconds: 40 }, shows: 70 },
  },
  { id: 'wetAgain', kind: 'complaint', on: '2026-12-01', saw: 'It stands by the gate', of: 'basin' },
  { id: 'outcome', kind: 'outcome', asked: 500_000, costs: { parts: 150_000 }, used: [{ part: 'pipe', quantity: 12 }] },
  { id: 'keeping', kind: 'keeping', laidOn: '2026-11-28', warranty: { months: 24 } },
];

/** One of every kind at least. */
export function everyKindYard(): Job {
  const sample = quillfeather();
  const job = jobFrom('every-kind', [...sample.elements, ...MORE]);
  const missing = ELEMENT_KINDS.filter((kind) => job.elements.ofKind(kind).length === 0);
  if (missing.length > 0) throw new Error(`Nothing of ${missing.join(', ')}.`);
  const [fault] = jobFaults(job);
  if (fault) throw new Error(JSON.stringify(fault));
  return job;
}

/** A value near another: numbers larger or smaller, flags turned, ids led elsewhere; what it cannot change it gives again. */
function near(value: unknown, hand: Hand, ids: readonly string[]): unknown {
  if (typeof value === 'number')
    return hand.chance(0.1) ? -value : value * hand.between(0.7, 1.4) + hand.between(-0.05, 0.05);
  if (typeof value === 'boolean') return !value;
  if (typeof value === 'string') return ids.includes(value) ? hand.pick(ids) : value;
  if (Array.isArray(value)) {
    if (value.length === 0) return value;
    const k = Math.floor(hand.between(0, value.length - 1e-9));
    return value.map((each, j) => (j === k ? near(each, hand, ids) : each));
  }
  if (value && typeof value === 'object') {
    const key = hand.pick(Object.keys(value));
    return { ...value, [key]: near((value as Record<string, unknown>)[key], hand, ids) };
  }
  return value;
}

/** A field of an element made another: nearer, as a fellow of its kind has it, or left out. */
function altered(element: Element, hand: Hand, job: Job): Element {
  const ids = job.elements.all.map(({ id }) => id);
  const fellow = hand.pick(job.elements.ofKind(element.kind)) as unknown as Record<string, unknown>;
  const own = element as unknown as Record<string, unknown>;
  const fields = [...new Set([...Object.keys(own), ...Object.keys(fellow)])].filter(
    (key) => key !== 'id' && key !== 'kind',
  );
  const field = hand.pick(fields);
  const { [field]: value, ...rest } = own;
  const next = hand.chance(0.15) ? undefined : hand.chance(0.3) ? fellow[field] : near(value, hand, ids);
  return (next === undefined ? rest : { ...own, [field]: next }) as unknown as Element;
}

/**
 * The job with one thing about it made another: a field of any element, one taken out, or one of `gone` put back. What no form and no file
 * would take is not done, and another is tried. What is taken out is added to `gone`.
 */
export function editedAnyhow(job: Job, hand: Hand, gone: Element[]): Job {
  for (let tries = 0; tries < 50; tries++) {
    const kind = hand.pick(ELEMENT_KINDS);
    const some = job.elements.ofKind(kind);
    if (some.length === 0) continue;
    const element: Element = hand.pick(some);
    const back = gone.length > 0 && hand.chance(0.15) ? gone.at(-1) : undefined;
    const out = back === undefined && kind !== 'job' && hand.chance(0.08);
    const next = back ?? altered(element, hand, job);
    if (!out && !elementSchema.safeParse(next).success) continue;
    const after = out ? changed(job, { puts: [], removes: [element.id] }) : changed(job, put('Edit', next));
    if (jobFaults(after).length > 0) continue;
    if (back) gone.pop();
    if (out) gone.push(element);
    return after;
  }
  return job;
}
