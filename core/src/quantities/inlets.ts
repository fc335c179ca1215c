/** What water enters by: downspout adapters, basins with their risers and grates, channel drain in its lengths. */
import { DOWNSPOUT_LEGS } from '../catalogue/downspouts';
import { CHANNEL_LENGTH, HAUNCH } from '../catalogue/supply';
import type { BuildWays } from '../job/buildWays';
import { ofKind, type Job } from '../job/job';
import { isNew, landsOnGutter, type Channel, type Downspout, type Run } from '../job/kinds';
import type { Solution } from '../plan/solution';
import type { Counting } from './counting';
import { countBasin } from './basins';
import { closed, makeOfFittings, meeting, sideWyes, type Lines } from './fittings';

/** Into an adapter, each. */
const SCREWS = 4;

export function countInlets(
  lines: Lines,
  { landings }: Pick<Solution, 'landings'>,
  ways: BuildWays,
  counting: Counting,
): void {
  const { job } = lines;
  for (const spout of ofKind(job, 'downspout'))
    if (!landsOnGutter(spout)) countSpout(lines, { spout, invert: landings[spout.id]?.invert ?? null, ways }, counting);
  for (const basin of ofKind(job, 'basin'))
    countBasin(lines, { basin, invert: landings[basin.id]?.invert ?? null, ways }, counting);
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
  if (above.length > 0) return sideWyes(below, leg, 1, id, counting);
  counting.add({ type: 'bend', material, nominal: leg, degrees: 90 }, id);
  if (leg < nominal - 1e-6) counting.add({ type: 'reducer', material, nominal, branch: leg }, id);
  // Side by side they are fed from one.
  sideWyes(below, nominal, parallel - 1, id, counting);
}

function countSpout(
  lines: Lines,
  { spout, invert, ways }: { spout: Downspout; invert: number | null; ways: BuildWays },
  counting: Counting,
): void {
  const run = lines.from.get(spout.id);
  const { id, size } = spout;
  const above = lines.into.get(id) ?? [];
  if (!run) return closed(above, id, counting);
  const leg = Math.min(run.nominal, DOWNSPOUT_LEGS[size]);
  const vented = ways.ventedFeet ? { vented: true as const } : {};
  const material = makeOfFittings(run);
  counting.add({ type: 'downspoutAdapter', size, material, nominal: leg, ...vented }, id);
  counting.add({ type: 'screws' }, id, SCREWS);
  // The head of a pipe that was here before has its foot already.
  if (!isNew(run) && above.length === 0) return;
  downInto(lines, { id, leg }, run, counting);
  if (invert !== null)
    counting.add({ type: 'pipe', material, nominal: leg }, id, Math.max(0, spout.groundLevel - invert));
}

function countChannel(lines: Lines, channel: Channel, counting: Counting): void {
  const { id, width, length, outlet } = channel;
  if (!channel.here) {
    counting.add({ type: 'channel', width }, id, Math.ceil(length / CHANNEL_LENGTH - 1e-6));
    counting.add({ type: 'channelEnd', width }, id, 2);
    setInConcrete(lines.job, channel, counting);
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
  sideWyes(run, nominal, others, id, counting);
  if (above.length > 0) meeting(lines, { id, legs: others }, above, run, counting);
  else {
    // Out of its floor, and round into the pipe.
    counting.add({ type: 'bend', material, nominal, degrees: 90 }, id, channel.hole === 'end' ? 0 : 1);
    sideWyes(run, nominal, parallel - 1, id, counting);
  }
}

/** Its slot: dug, filled round with concrete, and sawn where paving sheds to it. */
function setInConcrete(job: Job, { id, width, depth, length }: Channel, counting: Counting): void {
  const slot = (width + 2 * HAUNCH) * (depth + HAUNCH) * length;
  counting.add({ type: 'dug' }, id, slot);
  counting.add({ type: 'spoil' }, id, slot);
  counting.add({ type: 'concrete' }, id, slot - width * depth * length);
  const paved = ofKind(job, 'surface').some(
    ({ cover, feeds }) => (cover === 'paving' || cover === 'pavers') && feeds.some(({ to }) => to === id),
  );
  if (paved) counting.add({ type: 'saw' }, id, 2 * length);
}
