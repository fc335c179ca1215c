/** Snags of channel drains that a larger channel or a larger hole mends. */
import { NOMINAL_SIZES } from '../../catalogue/pipes';
import { holeCapacity } from '../../inlets';
import { put } from '../../job/change';
import { runFrom, sizeDown } from '../../job/edits/pipes';
import { elementOf, headOf } from '../../job/job';
import { showNominal, text } from '../../units';
import { METRES_PER_INCH } from '../../units/constants';
import { fixOfChange, type FixRule } from './fix';
import { freed } from './ownPitch';

const channelOutlet: FixRule = {
  code: 'channelOutlet',
  *candidates(snag, job) {
    const run = runFrom(job, snag.at);
    if (!run) return;
    const channel = elementOf(job, 'channel', snag.at)!;
    for (const nominal of NOMINAL_SIZES)
      if (nominal > run.nominal + 1e-9 && holeCapacity(channel, nominal) >= snag.figure)
        yield fixOfChange(
          sizeDown(job, run, nominal, `Make its outlet ${text(showNominal(nominal, headOf(job).units))}`),
        );
  },
};

/** Sections on offer, inside width and depth, in. */
const SECTIONS: readonly (readonly [number, number])[] = [
  [2, 2],
  [4, 4],
  [4, 6],
  [5, 6],
  [5, 8],
  [8, 8],
  [8, 10],
];

const channelOvertops: FixRule = {
  code: 'channelOvertops',
  *candidates(snag, job) {
    const channel = elementOf(job, 'channel', snag.at)!;
    for (const [width, depth] of SECTIONS) {
      const next = { ...channel, width: width * METRES_PER_INCH, depth: depth * METRES_PER_INCH };
      if (next.width * next.depth > channel.width * channel.depth)
        yield fixOfChange(put(`Lay a ${width} × ${depth} in channel`, next));
    }
    const run = runFrom(job, snag.at);
    for (const nominal of run ? NOMINAL_SIZES : [])
      if (run && nominal > run.nominal + 1e-9 && nominal <= channel.width + 1e-9)
        yield fixOfChange(
          sizeDown(job, run, nominal, `Make its outlet ${text(showNominal(nominal, headOf(job).units))}`),
        );
  },
};

/** A pipe that starts by itself starts under the channel's floor. */
const channelHolds: FixRule = {
  code: 'channelHolds',
  *candidates(snag, job) {
    const run = runFrom(job, snag.at);
    if (run) yield* freed(job, run.id);
  },
};

export const channels: readonly FixRule[] = [channelOutlet, channelOvertops, channelHolds];
