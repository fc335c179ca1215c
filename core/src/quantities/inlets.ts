/** What water enters by: downspout adapters, basins with their risers and grates, channel drain in its lengths. */
import { DOWNSPOUT_LEGS } from '../catalogue/downspouts';
import { BOXES, CHANNEL_LENGTH, RISER } from '../catalogue/supply';
import { ofKind } from '../job/job';
import { isNew, landsOnGutter, type Basin, type Channel, type Downspout, type Run } from '../job/kinds';
import type { Solution } from '../plan/solution';
import type { Counting } from './counting';
import { closed, makeOfFittings, meeting, openings, type Lines } from './fittings';

/** Into an adapter, each. */
const SCREWS = 4;

export function countInlets(lines: Lines, { landings }: Pick<Solution, 'landings'>, counting: Counting): void {
  const { job } = lines;
  for (const spout of ofKind(job, 'downspout'))
    if (!landsOnGutter(spout)) countSpout(lines, spout, landings[spout.id]?.invert ?? null, counting);
  for (const basin of ofKind(job, 'basin')) countBasin(lines, basin, landings[basin.id]?.invert ?? null, counting);
  for (const channel of ofKind(job, 'channel')) countChannel(lines, channel, counting);
}

/**
 * What comes down beside a line, as deep as that lies, and into it: at its head round a bend, and where other pipe comes in as well by a wye
 * with a street bend, so that the line goes on beneath. `leg`: nominal size of what comes down, m.
 */
function downInto(lines: Lines, { id, leg }: { id: string; leg: number }, below: Run, counting: Counting): void {
  const above = lines.into.get(id) ?? [];
  const { nominal, parallel = 1 } = below;
  const material = makeOfFittings(below);
  meeting(lines, { id, legs: 1 }, above, below, counting);
  if (above.length > 0) {
    counting.add({ type: 'wye', material, nominal, branch: leg }, id);
    counting.add({ type: 'bend', material, nominal: leg, degrees: 45 }, id);
    return;
  }
  counting.add({ type: 'bend', material, nominal: leg, degrees: 90 }, id);
  if (leg < nominal - 1e-6) counting.add({ type: 'reducer', material, nominal, branch: leg }, id);
  // Side by side they are fed from one.
  counting.add({ type: 'wye', material, nominal, branch: nominal }, id, parallel - 1);
  counting.add({ type: 'bend', material, nominal, degrees: 45 }, id, parallel - 1);
}

function countSpout(lines: Lines, spout: Downspout, invert: number | null, counting: Counting): void {
  const run = lines.from.get(spout.id);
  const { id, size } = spout;
  const above = lines.into.get(id) ?? [];
  if (!run) return closed(above, id, counting);
  const leg = Math.min(run.nominal, DOWNSPOUT_LEGS[size]);
  const material = makeOfFittings(run);
  counting.add({ type: 'downspoutAdapter', size, material, nominal: leg }, id);
  counting.add({ type: 'screws' }, id, SCREWS);
  // The head of a pipe that was here before has its foot already.
  if (!isNew(run) && above.length === 0) return;
  downInto(lines, { id, leg }, run, counting);
  if (invert !== null)
    counting.add({ type: 'pipe', material, nominal: leg }, id, Math.max(0, spout.groundLevel - invert));
}

function countBasin(lines: Lines, basin: Basin, invert: number | null, counting: Counting): void {
  const { id, grate, count = 1, groundLevel, sumpDepth = 0 } = basin;
  const { body, ports } = BOXES[grate];
  const leaving = lines.from.get(id);
  const pipes = [...(lines.into.get(id) ?? []), ...(leaving ? [leaving] : [])];
  if (basin.here) {
    // Into a box that was here before only new pipe wants an opening.
    openings(pipes.filter(isNew), id, counting);
    return;
  }
  counting.add({ type: 'box', grate }, id, count);
  counting.add({ type: 'grate', grate }, id, count);
  const deep = invert === null ? 0 : groundLevel - invert + sumpDepth - body;
  counting.add({ type: 'riser', grate }, id, count * Math.max(0, Math.ceil(deep / RISER - 1e-6)));
  openings(pipes, id, counting);
  const used = pipes.reduce((sum, { parallel = 1 }) => sum + parallel, 0);
  // Boxes side by side are joined by a piece of the pipe that leaves.
  const between = leaving ? 2 * (count - 1) : 0;
  if (leaving)
    counting.add({ type: 'boxOutlet', material: makeOfFittings(leaving), nominal: leaving.nominal }, id, between);
  counting.add({ type: 'plug', grate }, id, count * ports - used - between);
}

function countChannel(lines: Lines, channel: Channel, counting: Counting): void {
  const { id, width, length, outlet } = channel;
  if (!channel.here) {
    counting.add({ type: 'channel', width }, id, Math.ceil(length / CHANNEL_LENGTH - 1e-6));
    counting.add({ type: 'channelEnd', width }, id, 2);
  }
  const run = lines.from.get(id);
  if (!run) return closed(lines.into.get(id) ?? [], id, counting);
  if (channel.here && !isNew(run) && !(lines.into.get(id) ?? []).some(isNew)) return;
  const { nominal, parallel = 1 } = run;
  const material = makeOfFittings(run);
  const holes = Array.isArray(outlet) ? outlet.length : 1;
  const above = lines.into.get(id) ?? [];
  counting.add({ type: 'channelOutlet', width, material, nominal }, id, holes);
  // The first of its holes is the head of its line; each other comes into it by a wye beneath, as does whatever runs in besides.
  const others = holes - (above.length > 0 ? 0 : 1);
  counting.add({ type: 'wye', material, nominal, branch: nominal }, id, others);
  counting.add({ type: 'bend', material, nominal, degrees: 45 }, id, others);
  if (above.length > 0) meeting(lines, { id, legs: others }, above, run, counting);
  else {
    // Out of its floor, and round into the pipe.
    counting.add({ type: 'bend', material, nominal, degrees: 90 }, id, channel.hole === 'end' ? 0 : 1);
    counting.add({ type: 'wye', material, nominal, branch: nominal }, id, parallel - 1);
    counting.add({ type: 'bend', material, nominal, degrees: 45 }, id, parallel - 1);
  }
}
