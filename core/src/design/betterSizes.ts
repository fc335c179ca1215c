/** Whether a job with other sizes is better than before, or harmed by them. */
import { type Plan } from '../verdict/planJob';
import { noWorse } from './fixes/prove';
import type { Snag } from '../snags/snag';
import { type Job } from '../job/job';

/** A choice, planned. */
export interface Tried {
  job: Job;
  plan: Plan;
  cost: number;
}

/** Snags that a pipe of another size or pitch may cure: while one is left, the job is not sized. */
export const OF_SIZE: ReadonlySet<string> = new Set([
  'capacityExceeded',
  'outOfFall',
  'adversePitch',
  'largerIntoSmaller',
  'underLeastPitch',
  'waterOverGrate',
]);
/** And those that other sizes or grates cure besides, which are no reason to give a job up. */
const OF_COMFORT: ReadonlySet<string> = new Set([
  'willSilt',
  'grateSmall',
  'flatInMulch',
  'carriesOver',
  'channelOutlet',
  'nearOpening',
  'openingFloods',
]);
const kindsOf = ({ snags }: Plan): Set<string> => new Set(snags.map(({ code }) => code));

/** Whether a plan does harm beside another: a snag of a kind that was not there, a new Stop, or a Stop made worse. */
export function harms(plan: Plan, before: Plan): boolean {
  const kinds = kindsOf(before);
  const asItWas = noWorse(before.snags, plan.snags);
  // Sizes move nothing: what comes up at another element has come anew, whatever went elsewhere.
  const placeOf = ({ code, at }: Snag): string => `${code} ${at}`;
  const places = new Set(before.snags.map(placeOf));
  return plan.snags.some(
    (snag) => !kinds.has(snag.code) || (snag.severity === 'stop' && !(places.has(placeOf(snag)) && asItWas(snag))),
  );
}

/** Counts of snags that sizes cure, worst first: fewer of a worse sort goes before any cost. */
export const wants = ({ plan: { snags } }: Tried): readonly [number, number] => {
  const curable = snags.filter(({ code }) => OF_SIZE.has(code) || OF_COMFORT.has(code));
  const stops = curable.filter(({ severity }) => severity === 'stop').length;
  return [stops, curable.length - stops];
};

export function isBetter(a: Tried, b: Tried): boolean {
  const [wa, wb] = [wants(a), wants(b)];
  if (wa[0] !== wb[0]) return wa[0] < wb[0];
  if (wa[1] !== wb[1]) return wa[1] < wb[1];
  return a.cost < b.cost - 1e-9;
}
