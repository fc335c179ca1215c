/** Rules at the edge of their figures, on plans that are made up field by field. */
import { DEFAULTS } from '../job/settings';
import type { Element } from '../job/kinds';
import type { RunPlan, Solution } from '../plan/solution';
import type { Place } from '../site/place';
import { RULE_BY_CODE } from '../snags/rules';
import type { Severity, Snag } from '../snags/snag';
import type { Teller } from '../words/teller';
import { jobOf } from './parts';

/** A plan in which nothing is, but what is said. */
export const planOf = (more: object = {}): Solution =>
  ({
    rain: 4e-5,
    settings: DEFAULTS,
    landings: {},
    runs: {},
    ends: [],
    standing: {},
    sources: { lost: new Map() },
    onSlope: new Map(),
    inlets: {},
    works: {},
    rarerWorks: null,
    ways: new Map(),
    openings: null,
    stray: [],
    ...more,
  }) as unknown as Solution;

/** A run that nothing is wrong with. */
export const sound = (id: string, more: Partial<RunPlan> = {}): RunPlan =>
  ({
    id,
    from: 'up',
    to: 'down',
    line: 'A',
    length: 20,
    nominal: 0.1,
    diameter: 0.1,
    pitch: 0.02,
    leastPitch: 0.01,
    crownUp: -0.3,
    crownDown: -0.7,
    invertUp: -0.4,
    invertDown: -0.8,
    coverUp: 0.3,
    coverDown: 0.3,
    cover: 0.3,
    leastCover: 0.15,
    comesOutOver: 0,
    trenchDepth: 0.5,
    effectiveArea: 50,
    flow: 0.002,
    capacity: 0.01,
    overloaded: false,
    cleans: true,
    velocity: 1,
    topVelocity: 1,
    ordinaryShear: 3,
    criticalShear: 1,
    ...more,
  }) as RunPlan;

export const runsOf = (...runs: RunPlan[]): { runs: Record<string, RunPlan> } => ({
  runs: Object.fromEntries(runs.map((run) => [run.id, run])),
});

export const place = (east: number, north: number): Place => ({ east, north });

/** A landing, dry and level with the job's zero. */
export const landing = (id: string, more: object = {}): object => ({
  landings: {
    [id]: {
      id,
      kind: 'junction',
      groundLevel: 0,
      outlet: 'out',
      passing: 0.002,
      entering: 0,
      enteringArea: 0,
      waterLevel: null,
      ...more,
    },
  },
});

/** A plan with one work of a kind; a second time, in the rarer rain. */
export const work = (kind: string, more: object): object => ({ works: { w: { kind, ...more } } });
export const rarer = (kind: string, design: object, more: object): object => ({
  ...work(kind, design),
  rarerWorks: { w: { kind, ...more } },
});

/** What a rule must say of a plan: how bad, where, the figure, the limit, what else; and how its sentence must read. */
export interface Said {
  severity: Severity;
  at?: string;
  figure: number;
  limit?: number;
  more?: Partial<Snag>;
  reads?: RegExp;
}

export interface Edge {
  code: string;
  elements?: Element[];
  /** Plans on the right side of its edge, and on the wrong one with what it says of each. */
  silent: object[];
  says: [plan: object, said: Said][];
}

/** Names and figures as they are, so that a sentence shows which it has taken. */
const PLAIN: Teller = {
  name: (id) => `<${id}>`,
  line: (id) => `(${id})`,
  show: (measure, value) => `[${measure} ${Number(value.toPrecision(6))}]`,
};

/** Finds what it finds, and reads it: whole sentences, with no place nor figure missing. */
export function judged(code: string, elements: Element[], plan: object): Snag[] {
  const rule = RULE_BY_CODE.get(code)!;
  const job = jobOf(...elements);
  const snags = rule.find(job, planOf(plan));
  for (const snag of snags) {
    const { headline, why, instead } = rule.tell(snag, PLAIN);
    for (const sentence of [headline, why, ...(instead === undefined ? [] : [instead])]) {
      expect(sentence).toMatch(/^\S.*\.$/);
      expect(sentence).not.toMatch(/undefined|NaN|null|Infinity/);
    }
  }
  return snags;
}

/** Holds one rule to both sides of its edge. */
export function holds({ code, elements = [], silent, says }: Edge): void {
  for (const plan of silent) expect([code, judged(code, elements, plan)]).toEqual([code, []]);
  for (const [plan, { severity, at, figure, limit, more = {}, reads }] of says) {
    const found = judged(code, elements, plan);
    expect(found).toEqual([
      expect.objectContaining({
        code,
        severity,
        ...(at === undefined ? {} : { at }),
        figure: expect.closeTo(figure, 9) as number,
        ...(limit === undefined ? {} : { limit: expect.closeTo(limit, 9) as number }),
        ...more,
      }),
    ]);
    const { headline, why } = RULE_BY_CODE.get(code)!.tell(found[0]!, PLAIN);
    if (reads) expect(`${headline} ${why}`).toMatch(reads);
  }
}
