/**
 * How much of the rain ran off the ground round a basin, by what stood over its grate in one rain and another: the grate takes so much at that
 * depth, which is C i A of the ground that sheds to it. Over several rains the mean of ln C, which is least squares of the logarithms.
 */
import { put, type Change } from '../job/change';
import { elementOf, ofKind, type Job } from '../job/job';
import type { Basin, Surface, TestOf } from '../job/kinds';
import { sagCapacity } from '../hydraulics/sagInlet';
import { inletOf } from '../inlets/basin';
import { tWithin } from '../numeric/studentT';
import type { Solution } from '../plan/solution';
import { depthIn, type Rainfall } from '../simulation/rain/rainfall';
import { rainfallsOf, readTo } from './rainVisit';

type Planned = Pick<Solution, 'sources'>;

export interface LawnLoss {
  /** Share of the rain that ran off, over all its ground; nine of ten lie between `low` and `high`. */
  coefficient: number;
  low: number;
  high: number;
  /** Counted on now, and rains that it is from. */
  now: number;
  rains: number;
  change: Change;
}

/** Water is gathered for so long at least before it stands, s. */
const GATHERED = 300;
/** How the share itself differs from rain to rain, by wet and dry ground, as a logarithm; known as well as so many rains would tell it. */
const FROM_RAIN_TO_RAIN = 0.3;
const KNOWN = 4;
const NINE_OF_TEN = 0.9;
const LEAST = 0.05;
/** More than falls there comes from elsewhere. */
const MOST = 1.05;

/** Ground that sheds to a basin and nowhere else, where no pipe and no roof brings it water besides; null where other water comes. */
function groundOf(job: Job, id: string): Surface[] | null {
  const comes = (feeds: readonly { to: string }[]): boolean => feeds.some(({ to }) => to === id);
  const surfaces = ofKind(job, 'surface').filter(({ feeds }) => comes(feeds));
  const whole = surfaces.every(({ feeds }) => feeds.length === 1 && feeds[0]!.share === 1);
  const other =
    ofKind(job, 'run').some(({ to }) => to === id) ||
    ofKind(job, 'fixedFlow').some((each) => 'to' in each && each.to === id) ||
    ofKind(job, 'downspout').some((each) => (each.landsOn ?? []).some(({ to }) => to === id));
  return surfaces.length > 0 && whole && !other ? surfaces : null;
}

/** The hardest that it rained for so long, m/s. */
function hardest(rain: Rainfall, span: number): number {
  const end = rain.step * rain.intensities.length;
  let most = 0;
  for (let from = 0; from + span <= end + 1e-6; from += rain.step) most = Math.max(most, depthIn(rain, from, span));
  return most / span;
}

/** ln of rain at its hardest: in the middle of the ways that it may have fallen, and how far they are apart (one standard deviation). */
function rainAtHardest(job: Job, test: TestOf<'rain'>, span: number): { middle: number; off: number } {
  const all = rainfallsOf(job, test).map((rain) => Math.log(hardest(rain, Math.min(span, test.hours * 3600))));
  const [least, most] = [Math.min(...all), Math.max(...all)];
  // Even over its range: a standard deviation of its width by √12.
  return { middle: (least + most) / 2, off: (most - least) / Math.sqrt(12) };
}

/** Flow that a grate takes under a depth of water, m³/s. */
const takes = (basin: Basin, depth: number): number => sagCapacity({ ...inletOf(basin), depth }).flow;

/** By all rains in which water stood over a basin since something was last mended; null where they tell nothing. */
export function lawnLoss(job: Job, plan: Planned, id: string): LawnLoss | null {
  const basin = elementOf(job, 'basin', id);
  const ground = basin && groundOf(job, id);
  if (!basin || !ground) return null;
  const shed = plan.sources.contributingAreas.filter((each) => ground.some((surface) => surface.id === each.id));
  const area = shed.reduce((sum, each) => sum + each.area, 0);
  const now = shed.reduce((sum, each) => sum + each.effectiveArea, 0) / area;
  const span = Math.max(GATHERED, ...shed.map(({ time }) => time));
  const visits = ofKind(job, 'visit');
  const mended = visits.filter((each) => each.mended).reduce((last, { at }) => (at > last ? at : last), '');
  const found = visits.flatMap(({ at, test }) => {
    const stood = test.type === 'rain' && at > mended ? test.stood.find((each) => each.at === id) : undefined;
    if (test.type !== 'rain' || !stood || stood.depth <= 0) return [];
    const rain = rainAtHardest(job, test, span);
    const by = readTo(stood.depth);
    const flow = takes(basin, stood.depth);
    const read =
      Math.log(takes(basin, stood.depth + by) / Math.max(1e-9, takes(basin, Math.max(1e-4, stood.depth - by)))) / 2;
    return [{ share: Math.log(flow / area) - rain.middle, off: Math.hypot(rain.off, read) }];
  });
  if (found.length === 0 || !(area > 0)) return null;
  const rains = found.length;
  const mean = found.reduce((sum, { share }) => sum + share, 0) / rains;
  const squares = found.reduce((sum, { share }) => sum + (share - mean) ** 2, 0);
  const own = (KNOWN * FROM_RAIN_TO_RAIN ** 2 + squares) / (KNOWN + rains - 1);
  const read = found.reduce((sum, { off }) => sum + off ** 2, 0) / rains;
  const off = tWithin(NINE_OF_TEN, KNOWN + rains - 1) * Math.sqrt((own + read) / rains);
  const coefficient = Math.exp(mean);
  if (coefficient > MOST) return null;
  const counted = Math.min(1, Math.max(LEAST, coefficient));
  const each = ground.map((surface) => {
    const before = shed.find((one) => one.id === surface.id)!.coefficient;
    return { ...surface, coefficient: Math.round(100 * Math.min(1, (before * counted) / now)) / 100 };
  });
  return {
    coefficient,
    low: Math.exp(mean - off),
    high: Math.min(1, Math.exp(mean + off)),
    now,
    rains,
    change: put(`Run-off to ${basin.name} as found`, ...each),
  };
}
