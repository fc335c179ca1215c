/** What lines that end in a channel bring to it, m³/s. */
const broughtTo = ({ job, into }: Walk, channel: string): number =>
  ofKind(job, 'discharge')
    .filter((out) => out.form === 'channel' && out.into === channel)
    .flatMap(({ id }) => into.get(id) ?? [])
    .reduce((sum, { flow }) => sum + flow, 0);

/** What stands over every inlet, and how near it comes to what it guards, by the walk of the trials. */
import { GRATE_FACTS } from '../../catalogue/grates';
import { groundInlets, ofKind } from '../../job/job';
import { type Basin, type Channel } from '../../job/kinds';
import { least } from '../halving';
import { G } from './walkedWater';
import { LAID, WATER, type Walk } from './walking';

/** What a grate takes at a depth, m³/s. */
function taken({ grate, count = 1, clogging, walled = 0 }: Basin, depth: number): number {
  const facts = GRATE_FACTS[grate];
  const clear = (1 - (clogging ?? facts.clogging)) * count;
  return Math.min(
    1.66 * facts.weirLength * (1 - walled) * clear * depth ** 1.5,
    0.67 * facts.openArea * clear * Math.sqrt(2 * G * depth),
  );
}

/** A channel's pipe: what goes out at it, and what of that a pipe brings in at the upper end, m³/s; its size and the water there, m. */
interface Outlet {
  flow: number;
  through: number;
  diameter: number;
  line: number;
}

/** Water in a level or gently falling channel with one outlet, marched up from the head of its hole; null where it cannot be marched so. */
function channelOver(channel: Channel, { flow, through, diameter, line }: Outlet): number | null {
  const { width: w, depth, length, slope, topSlope = 0, section: form, outlet = 'end', hole = 'floor' } = channel;
  if (form === 'round' || outlet !== 'end' || slope + topSlope > 0.004 || hole === 'end') return null;
  const area = (Math.PI * diameter ** 2) / 4;
  const drowned = Math.max(0, line - (channel.groundLevel - depth));
  const covered = drowned + (flow / (0.6 * area)) ** 2 / (2 * G);
  let y = Math.max(covered, (flow / (1.66 * Math.PI * diameter)) ** (2 / 3), Math.cbrt((flow / w) ** 2 / G) * 1.0005);
  const steps = 20_000;
  let over = y - depth;
  for (let k = steps; k > 0; k--) {
    const x = (length * k) / steps;
    const q = through + ((flow - through) * x) / length;
    const a = w * y;
    const radius = a / (w + 2 * y);
    const sf = (q * 0.011) ** 2 / (a ** 2 * radius ** (4 / 3));
    const below = 1 - (q ** 2 * w) / (G * a ** 3);
    const dydx = (slope + topSlope - sf - (2 * q * ((flow - through) / length)) / (G * a ** 2)) / Math.max(below, 0.02);
    y -= (dydx * length) / steps;
    over = Math.max(over, y - (depth - slope * (length - x)));
  }
  return over;
}

/** What stands over every inlet, and how near it comes to what it guards. */
export function walkInlets(walk: Walk): void {
  const { job, plan, water, wrong } = walk;
  const { settings } = plan;
  for (const inlet of groundInlets(job)) {
    const flow = plan.landings[inlet.id]!.entering;
    const line = water.get(inlet.id) ?? Number.NEGATIVE_INFINITY;
    if (line > inlet.groundLevel + WATER)
      wrong.push(`water comes out of ${inlet.id}: ${(line - inlet.groundLevel).toFixed(3)} m`);
    let over = 0;
    if (inlet.kind === 'basin') {
      over = flow > 0 ? least(0, 5, (depth) => taken(inlet, depth) >= flow) : 0;
      if (!inlet.approach && over > settings.ponding + LAID) wrong.push(`${inlet.id} ponds ${over.toFixed(3)} m`);
    } else {
      const pipe = Object.values(plan.runs).find(({ from }) => from === inlet.id);
      const through = Math.min(flow, broughtTo(walk, inlet.id));
      const stands = pipe && flow > 0 ? channelOver(inlet, { flow, through, diameter: pipe.diameter, line }) : null;
      if (stands !== null && stands > WATER) wrong.push(`${inlet.id} overtops by ${stands.toFixed(3)} m`);
      if (pipe && pipe.invertUp > inlet.groundLevel - inlet.depth + LAID) wrong.push(`${inlet.id} stands full`);
    }
    const spill =
      inlet.spillLevel === undefined
        ? Number.POSITIVE_INFINITY
        : Math.max(inlet.groundLevel, inlet.spillLevel) +
          (flow / (1.7 * (inlet.spillLength ?? settings.spillLength))) ** (2 / 3);
    // What comes up out of one runs off where the ground lets it, as what it does not take does.
    const stands = Math.min(Math.max(inlet.groundLevel, line) + over, spill);
    if (flow > 0) walk.stands.set(inlet.id, stands);
    if (inlet.kind === 'channel' || inlet.sillLevel === undefined) continue;
    if (inlet.sillLevel - stands < settings.openingMargin - WATER)
      wrong.push(`water comes near the sill at ${inlet.id}`);
  }
  for (const { id, groundLevel } of ofKind(job, 'downspout'))
    if ((water.get(id) ?? Number.NEGATIVE_INFINITY) > groundLevel + WATER) wrong.push(`water comes up at ${id}`);
}
