/** What water enters by: downspout adapters, basins with their risers and grates, channel drain in its lengths. */
import { BOXES, CHANNEL_LENGTH, RISER } from '../catalogue/supply';
import { ofKind } from '../job/job';
import { isNew, landsOnGutter, type Basin, type Channel } from '../job/kinds';
import type { Solution } from '../plan/solution';
import type { Counting } from './counting';
import type { Lines } from './fittings';

/** Into an adapter, each. */
const SCREWS = 4;

export function countInlets(lines: Lines, { landings }: Pick<Solution, 'landings'>, counting: Counting): void {
  const { job } = lines;
  for (const spout of ofKind(job, 'downspout')) {
    const run = lines.from.get(spout.id);
    if (!run || landsOnGutter(spout)) continue;
    const { id, size } = spout;
    const { material, nominal } = run;
    counting.add({ type: 'downspoutAdapter', size, nominal }, id);
    counting.add({ type: 'screws' }, id, SCREWS);
    if (!isNew(run)) continue;
    // Down to the pipe and round into it.
    const invert = landings[id]?.invert ?? null;
    counting.add({ type: 'bend', material, nominal, degrees: 90 }, id);
    if (invert !== null) counting.add({ type: 'pipe', material, nominal }, id, Math.max(0, spout.groundLevel - invert));
  }
  for (const basin of ofKind(job, 'basin')) countBasin(lines, basin, landings[basin.id]?.invert ?? null, counting);
  for (const channel of ofKind(job, 'channel')) countChannel(lines, channel, counting);
}

function countBasin(lines: Lines, basin: Basin, invert: number | null, counting: Counting): void {
  const { id, grate, count = 1, groundLevel, sumpDepth = 0 } = basin;
  const { body, ports } = BOXES[grate];
  const pipes = [...(lines.into.get(id) ?? []), ...[lines.from.get(id) ?? []].flat()];
  counting.add({ type: 'box', grate }, id, count);
  counting.add({ type: 'grate', grate }, id, count);
  const deep = invert === null ? 0 : groundLevel - invert + sumpDepth - body;
  counting.add({ type: 'riser', grate }, id, count * Math.max(0, Math.ceil(deep / RISER - 1e-6)));
  for (const run of pipes) counting.add({ type: 'boxOutlet', nominal: run.nominal }, id);
  // Boxes side by side are joined by a piece of the pipe that leaves.
  const leaving = lines.from.get(id);
  if (leaving) counting.add({ type: 'boxOutlet', nominal: leaving.nominal }, id, 2 * (count - 1));
  counting.add({ type: 'plug', grate }, id, count * ports - pipes.length - (leaving ? 2 * (count - 1) : 0));
}

function countChannel(lines: Lines, channel: Channel, counting: Counting): void {
  const { id, width, length, outlet } = channel;
  counting.add({ type: 'channel', width }, id, Math.ceil(length / CHANNEL_LENGTH - 1e-6));
  counting.add({ type: 'channelEnd', width }, id, 2);
  const run = lines.from.get(id);
  const holes = Array.isArray(outlet) ? outlet.length : 1;
  if (run) counting.add({ type: 'channelOutlet', width, nominal: run.nominal }, id, holes);
}
