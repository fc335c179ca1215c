/** Snags of lines that stand full behind a pop-up. */
import { put } from '../../job/change';
import { dischargeOf, downstream, resized } from '../../job/edits/pipes';
import { NOMINAL_SIZES } from '../../catalogue/pipes';
import { METRES_PER_INCH } from '../../units/constants';
import { fixOfChange, type FixRule } from './fix';

/** How far inlets should stand clear of the water behind the lid when it is moved, m. */
const CLEAR = METRES_PER_INCH;

const lidAboveInlet: FixRule = {
  code: 'lidAboveInlet',
  *candidates(snag, job, { landings }) {
    const discharge = dischargeOf(job, snag.at);
    const inlet = landings[snag.other!]!;
    const over = Math.max(snag.figure, (inlet.waterLevel ?? inlet.groundLevel) - inlet.groundLevel);
    for (const down of [snag.figure + CLEAR, over + CLEAR, 2 * over + CLEAR]) {
      const lower = { ...discharge, groundLevel: discharge.groundLevel - down, assumed: true };
      yield fixOfChange(put('Move the pop-up to lower ground, to be found', lower));
      // Full to its lid and flowing a small pipe may still drown what is above it.
      for (const nominal of NOMINAL_SIZES) {
        const small = downstream(job, snag.other!).filter((run) => run.nominal < nominal - 1e-9);
        if (small.length > 0 && nominal < 0.4)
          yield fixOfChange(
            put('Lower pop-up and larger pipe, to be found', lower, ...small.map((run) => resized(run, nominal))),
          );
      }
    }
  },
};

/** Wetted soil of leaching tees on offer, m²: 4, 10, 20 and 40 ft². */
const LEACHING = [0.4, 0.9, 1.9, 3.7];

const popupHolds: FixRule = {
  code: 'popupHolds',
  *candidates(snag, job) {
    const discharge = dischargeOf(job, snag.at);
    const soil = discharge.drain?.soil === undefined ? {} : { soil: discharge.drain.soil };
    if (discharge.drain === undefined)
      yield fixOfChange(put('Drill weep holes over stone', { ...discharge, drain: { type: 'weep', ...soil } }));
    for (const area of LEACHING)
      if (discharge.drain?.type !== 'leach' || discharge.drain.area < area)
        yield fixOfChange(put('Set it on a leaching tee', { ...discharge, drain: { type: 'leach', area, ...soil } }));
    const { drain: _none, ...rest } = discharge;
    const groundLevel = discharge.groundLevel - snag.figure;
    yield fixOfChange(
      put('Bring it to daylight lower down, to be found', { ...rest, form: 'daylight', groundLevel, assumed: true }),
    );
  },
};

export const popups: readonly FixRule[] = [lidAboveInlet, popupHolds];
