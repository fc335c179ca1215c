/** Ground and cover along a run, by the walk of the trials. */
import type { Job } from '../../job/job';
import { diameterOf, type Discharge, type Landing, type Run } from '../../job/kinds';
import { placeAlong, placeOfLanding } from '../../job/places';
import type { RunPlan } from '../../plan/solution';
import { wayLength } from '../../site/place';
import type { Plan } from '../../verdict/planJob';
import { groundOf } from '../../yard/ground';
import { LAID } from './walking';

/** Ends that come out of the ground. */
export const OPEN = new Set<Discharge['form']>(['daylight', 'kerb', 'pond', 'rainGarden', 'channel']);

/** What ground between two levels is good for, m. */
const READ = 0.021;

/** Ground as it was levelled at a share of a run, m; null where nobody did. */
function groundUnder(job: Job, run: Run): (share: number) => number | null {
  const [from, to] = [run.from, run.to].map((id) => placeOfLanding(job.elements.get(id)));
  const { surface } = groundOf(job);
  if (!from || !to || !surface) return () => null;
  const way = [from, ...(run.bends ?? []), to];
  const whole = wayLength(way);
  return (share) => surface.levelAt(placeAlong(way, whole * share));
}

/** Ground and cover along one run, every half metre. */
export function walkOver(job: Job, { settings, snags }: Plan, given: Run, run: RunPlan, wrong: string[]): void {
  const [upper, lower] = [job.elements.get(given.from) as Landing, job.elements.get(given.to) as Landing];
  const out = lower.kind === 'discharge' && OPEN.has(lower.form) ? lower : null;
  const open = out ? (out.bank?.length ?? (given.under === 'cars' ? 0.9144 : settings.outcrop)) : 0;
  const edge = Math.max(0, given.length - open);
  const straight = upper.groundLevel + ((lower.groundLevel - upper.groundLevel) * edge) / given.length;
  // Where nobody has said how the ground drops to the end, it is as good as the plan says that it takes it to be, and no better: a bank
  // that a covered pipe comes out of, under the head of the run.
  const taken = run.bankAssumed ? Math.min(run.coveredGround, Math.max(straight, upper.groundLevel)) : straight;
  const edgeGround = out?.bank?.topLevel ?? taken;
  const wheels = { smooth: 0.3048, doubleWall: 0.3048, singleWall: 0.6096, flexible: 0.6096, clay: 0.6096 };
  const wanted = {
    cars: Math.max(settings.leastCover, wheels[given.material]),
    slab: settings.leastCoverInSlab,
    turf: settings.leastCover,
    bed: settings.leastCover,
    deck: settings.leastCover,
  }[given.under ?? 'turf'];
  const crownThere = run.crownUp + ((run.crownDown - run.crownUp) * edge) / given.length;
  if (run.bankAssumed && straight - crownThere < wanted - LAID && !snags.some(({ code }) => code === 'bankAssumed'))
    wrong.push(`${run.id} is covered by a bank that nobody was told of`);
  const steps = Math.max(2, Math.ceil(given.length * 2));
  const measured = groundUnder(job, given);
  for (let k = 0; k <= steps; k++) {
    const x = (given.length * k) / steps;
    const crown = run.crownUp + ((run.crownDown - run.crownUp) * x) / given.length;
    const beyond = edge > 0 && x > edge;
    const told = beyond
      ? edgeGround + ((lower.groundLevel - edgeGround) * (x - edge)) / (given.length - edge || 1)
      : upper.groundLevel +
        (edge > 0 ? (edgeGround - upper.groundLevel) / edge : (lower.groundLevel - upper.groundLevel) / given.length) *
          x;
    const levelled = k > 0 && x < edge ? measured(x / given.length) : null;
    const ground = levelled ?? told;
    const near = levelled === null ? LAID : READ;
    if (!(out && x >= edge) && ground - crown < wanted - near) {
      wrong.push(`${run.id} has ${(ground - crown).toFixed(3)} m of cover at ${x.toFixed(1)} m`);
      return;
    }
    // Nobody digs for a pipe that lies there.
    if (ground - crown + diameterOf(given) >= 1.524 + LAID && !given.shored && !given.old) {
      wrong.push(`${run.id} lies in a deep open trench at ${x.toFixed(1)} m`);
      return;
    }
  }
}
