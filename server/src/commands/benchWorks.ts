/** Times other works in a yard of 200 runs: an edit of each, a field of forty lines under a finger. */
import { changed, jobFrom, planJob, put, type Element, type Job, type Place } from '@katabasis/core';
import { largeYard } from '@katabasis/core/trial';

const RUNS = 200;
const EDITS = 120;

const at = (east: number, north: number): Place => ({ east, north });

/** So many of each work beside the yard's own lines. */
function works(each: number): Element[] {
  return Array.from({ length: each }, (_, k) => [...openWorks(k), ...buriedWorks(k)]).flat();
}

/** Works that lie open: a lawn's swale through a culvert, held by a berm. */
const openWorks = (k: number): Element[] => [
  {
    id: `lawn${k}`,
    kind: 'surface',
    name: `Lawn ${k}`,
    cover: 'lawnClay',
    area: 400,
    feeds: [{ to: `swale${k}`, share: 1 }],
  },
  {
    id: `swale${k}`,
    kind: 'swale',
    name: `Swale ${k}`,
    section: 'trapezoid',
    bottomWidth: 0.6,
    sideSlope: 4,
    depth: 0.3,
    lining: 'grass',
    length: 40,
    headLevel: 0,
    footLevel: -0.8,
    to: `culvert${k}`,
  },
  {
    id: `culvert${k}`,
    kind: 'culvert',
    name: `Culvert ${k}`,
    length: 6,
    nominal: 0.381,
    material: 'doubleWall',
    inlet: 'mitred',
    invertUp: -0.8,
    invertDown: -0.9,
    roadLevel: 0.2,
  },
  {
    id: `berm${k}`,
    kind: 'berm',
    name: `Berm ${k}`,
    footLevel: 0,
    height: 0.4,
    topWidth: 0.5,
    sideSlope: 3,
    length: 20,
    holds: `swale${k}`,
  },
];

/** Works that lie buried: a drain, and a bed that runs to a dry well. */
const buriedWorks = (k: number): Element[] => [
  {
    id: `drain${k}`,
    kind: 'drain',
    name: `Drain ${k}`,
    groundLevel: 0,
    length: 30,
    depth: 0.6,
    nominal: 0.1016,
    soil: 'loam',
  },
  {
    id: `bed${k}`,
    kind: 'pavedBed',
    name: `Bed ${k}`,
    groundLevel: 0,
    area: 40,
    depth: 0.4,
    fall: 0.01,
    soil: 'loam',
  },
  {
    id: `pit${k}`,
    kind: 'discharge',
    name: `Pit ${k}`,
    form: 'dryWell',
    receiving: 'lawn',
    groundLevel: -1,
    store: { area: 4, depth: 1.2, cover: 0.4, voids: 0.9, soil: 'sand' },
  },
  {
    id: `to${k}`,
    kind: 'run',
    from: `bed${k}`,
    to: `pit${k}`,
    length: 8,
    material: 'smooth',
    nominal: 0.1016,
    grade: { type: 'auto' },
  },
];

function timed(count: number, prepare: (k: number) => () => void): string {
  const times: number[] = [];
  for (let k = -20; k < count; k++) {
    const work = prepare(k);
    const start = performance.now();
    work();
    if (k >= 0) times.push(performance.now() - start);
  }
  times.sort((a, b) => a - b);
  const of = (share: number): string => times[Math.floor((times.length - 1) * share)]!.toFixed(2);
  return `median ${of(0.5)} ms, p95 ${of(0.95)} ms`;
}

/** An edit of one element in turn, planned with all that it reaches. */
function edits(name: string, job: Job, next: (k: number) => Element): void {
  let now = job;
  let plan = planJob(now);
  console.log(
    `${name}: ${timed(EDITS, (k) => {
      now = changed(now, put('Edit', next(Math.abs(k))));
      const edited = now;
      return () => void (plan = planJob(edited, plan));
    })}`,
  );
}

const base = largeYard(RUNS, 1200);
const job = jobFrom('works', [...base.elements.all, ...works(5)]);
const of = <E extends Element>(id: string): E => job.elements.get(id) as E;
console.log(`a yard of ${job.elements.ofKind('run').length} runs, ${job.elements.size} elements, 5 of each work`);
const [basin] = base.elements.ofKind('basin');
edits('for comparison, an edit of a basin', job, (k) => ({ ...basin!, groundLevel: basin!.groundLevel - 0.0001 * k }));
edits('an edit of a swale', job, (k) => ({ ...of('swale0'), depth: 0.2 + 0.001 * k }) as Element);
edits('an edit of a culvert', job, (k) => ({ ...of('culvert1'), roadLevel: 0.2 + 0.001 * k }) as Element);
edits('an edit of a drain', job, (k) => ({ ...of('drain2'), depth: 0.5 + 0.001 * k }) as Element);
edits('an edit of a bed', job, (k) => ({ ...of('bed3'), depth: 0.3 + 0.001 * k }) as Element);
edits(
  'an edit of a pit',
  job,
  (k) =>
    ({ ...of('pit4'), store: { area: 3 + 0.01 * k, depth: 1.2, cover: 0.4, voids: 0.9, soil: 'sand' } }) as Element,
);
const outline = [at(0, 0), at(120, 0), at(120, 60), at(0, 60)];
edits(
  'a field of forty lines, a corner of it under the finger',
  jobFrom('field', [...job.elements.all]),
  (k) =>
    ({
      id: 'field',
      kind: 'drainField',
      name: 'Field',
      groundLevel: 0,
      depth: 0.6,
      nominal: 0.1016,
      soil: 'loam',
      spacing: 1.5,
      outline: outline.map((corner, c) => (c === 2 ? at(120 + 0.05 * k, 60) : corner)),
    }) as Element,
);
