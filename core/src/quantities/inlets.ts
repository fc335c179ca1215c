/** What water enters by: downspout adapters, basins with their risers and grates, channel drain in its lengths. */
import { DOWNSPOUT_LEGS } from '../catalogue/downspouts';
import { CHANNEL_LENGTH, HAUNCH } from '../catalogue/supply';
import { ofKind, type Job } from '../job/job';
import { isNew, landsOnGutter, type Channel, type Downspout, type Run } from '../job/kinds';
import type { Counting } from './counting';
import { closed, makeOfFittings, meeting, sideWyes } from './fittings';
import type { At, PipesAt } from './pipesAt';
import { trenchWidth } from './widths';

/** Into an adapter, each. */
const SCREWS = 4;

/** What paving sheds to. */
export function pavedInlets(job: Job): ReadonlySet<string> {
  const paved = new Set<string>();
  for (const { cover, feeds } of ofKind(job, 'surface'))
    if (cover === 'paving' || cover === 'pavers') for (const { to } of feeds) paved.add(to);
  return paved;
}

/**
 * What comes down beside a line, as deep as that lies, and into it: at its head round a bend, and where other pipe comes in as well by a wye
 * with a street bend, so that the line goes on beneath. `leg`: nominal size of what comes down, m.
 */
function downInto(pipes: PipesAt, { id, leg }: { id: string; leg: number }, below: Run, counting: Counting): void {
  const { above } = pipes;
  const { nominal, parallel = 1 } = below;
  const material = makeOfFittings(below);
  meeting(pipes, { id, legs: 1 }, above, below, counting);
  if (above.length > 0) return sideWyes(below, leg, 1, id, counting);
  counting.add({ type: 'bend', material, nominal: leg, degrees: 90 }, id);
  if (leg < nominal - 1e-6) counting.add({ type: 'reducer', material, nominal, branch: leg }, id);
  // Side by side they are fed from one.
  sideWyes(below, nominal, parallel - 1, id, counting);
}

export function countSpout({ landing: spout, pipes, invert, ways }: At<Downspout>, counting: Counting): void {
  if (landsOnGutter(spout)) return;
  const { above, below: run } = pipes;
  const { id, size } = spout;
  if (!run) return closed(above, id, counting);
  const leg = Math.min(run.nominal, DOWNSPOUT_LEGS[size]);
  const vented = ways.ventedFeet ? { vented: true as const } : {};
  const material = makeOfFittings(run);
  counting.add({ type: 'downspoutAdapter', size, material, nominal: leg, ...vented }, id);
  counting.add({ type: 'screws' }, id, SCREWS);
  // The head of a pipe that was here before has its foot already.
  if (!isNew(run) && above.length === 0) return;
  downInto(pipes, { id, leg }, run, counting);
  if (invert !== null)
    counting.add({ type: 'pipe', material, nominal: leg }, id, Math.max(0, spout.groundLevel - invert));
}

export function countChannel({ landing: channel, pipes, paved }: At<Channel>, counting: Counting): void {
  const { above, below: run } = pipes;
  const { id, width, length, outlet } = channel;
  if (!channel.here) {
    counting.add({ type: 'channel', width }, id, Math.ceil(length / CHANNEL_LENGTH - 1e-6));
    counting.add({ type: 'channelEnd', width }, id, 2);
    setInConcrete(channel, paved, counting);
  }
  if (!run) return closed(above, id, counting);
  if (channel.here && !isNew(run) && !above.some(isNew)) return;
  const { nominal, parallel = 1 } = run;
  const material = makeOfFittings(run);
  const holes = Array.isArray(outlet) ? outlet.length : 1;
  counting.add({ type: 'channelOutlet', width, material, nominal }, id, holes);
  // The first of its holes is the head of its line; each other comes into it by a wye beneath, as does whatever runs in besides.
  const others = holes - (above.length > 0 ? 0 : 1);
  sideWyes(run, nominal, others, id, counting);
  if (Array.isArray(outlet)) beneath(channel, outlet.at(-1)! - outlet[0]!, run, counting);
  if (above.length > 0) meeting(pipes, { id, legs: others }, above, run, counting);
  else {
    // Out of its floor, and round into the pipe.
    counting.add({ type: 'bend', material, nominal, degrees: 90 }, id, channel.hole === 'end' ? 0 : 1);
    sideWyes(run, nominal, parallel - 1, id, counting);
  }
}

/** The pipe that lies beneath a channel from its first outlet to its last, so long (m), in a trench under the channel’s own. */
function beneath({ id }: Channel, length: number, run: Run, counting: Counting): void {
  const { nominal } = run;
  const dug = length * trenchWidth(run) * nominal;
  const pipe = (length * Math.PI * nominal ** 2) / 4;
  counting.add({ type: 'pipe', material: makeOfFittings(run), nominal }, id, length);
  counting.add({ type: 'dug' }, id, dug);
  counting.add({ type: 'spoil' }, id, pipe);
  counting.add({ type: 'backfill' }, id, dug - pipe);
}

/** Its slot: dug, filled round with concrete, and sawn where paving sheds to it. */
function setInConcrete({ id, width, depth, length }: Channel, isPaved: boolean, counting: Counting): void {
  const slot = (width + 2 * HAUNCH) * (depth + HAUNCH) * length;
  counting.add({ type: 'dug' }, id, slot);
  counting.add({ type: 'spoil' }, id, slot);
  counting.add({ type: 'concrete' }, id, slot - width * depth * length);
  if (isPaved) counting.add({ type: 'saw' }, id, 2 * length);
}
