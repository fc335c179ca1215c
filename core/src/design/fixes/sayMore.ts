/** Snags that end when somebody says what is so on site, or will be: one change, nothing to try. */
import { put } from '../../job/change';
import { dischargeOf, runOf } from '../../job/edits/pipes';
import { elementOf, nameOf } from '../../job/job';
import type { OfKind } from '../../job/kinds';
import { METRES_PER_SECOND_PER_INCH_PER_HOUR } from '../../units/constants';
import { fixOfChange, type FixRule } from './fix';

/** A middling 10-year 5-minute rain, m/s: 6 in/h. */
const USUAL_RAIN = 6 * METRES_PER_SECOND_PER_INCH_PER_HOUR;

const noRain: FixRule = {
  code: 'noRain',
  candidates: () => [
    fixOfChange(
      put('Start with 6 in/h (152 mm/h)', {
        id: 'rain',
        kind: 'rain',
        intensity: USUAL_RAIN,
        source: { type: 'typed' },
      }),
    ),
  ],
};

const assumedFigure: FixRule = {
  code: 'assumedFigure',
  candidates: (snag, job) => {
    const element = elementOf(job, 'run', snag.at) ?? elementOf(job, 'discharge', snag.at);
    if (!element) return [];
    const { assumed: _measured, ...rest } = element;
    return [{ label: 'I measured it', change: put('Measured', rest as typeof element) }];
  },
};

const areaDisagrees: FixRule = {
  code: 'areaDisagrees',
  candidates: (snag, job) => {
    const element = job.elements.get(snag.at);
    if (!element) return [];
    const { area: _typed, ...rest } = element as OfKind<'surface'>;
    return [fixOfChange(put('Take its area from the plan', rest))];
  },
};

const deepTrench: FixRule = {
  code: 'deepTrench',
  candidates: (snag, job) => [
    fixOfChange(put('Shoring or a box is planned', { ...runOf(job, snag.at), shored: true })),
  ],
};

const stoneMissing: FixRule = {
  code: 'stoneMissing',
  candidates: (snag, job) => [
    fixOfChange(put('Stone will be laid there', { ...dischargeOf(job, snag.at), stone: true })),
  ],
};

const sumpFreezes: FixRule = {
  code: 'sumpFreezes',
  candidates: (snag, job) => [
    fixOfChange(put('Fit a freeze overflow', { ...elementOf(job, 'fixedFlow', snag.at)!, freezeOverflow: true })),
  ],
};

const throatLeft: FixRule = {
  code: 'throatLeft',
  candidates: (snag, job) => {
    const { throat: _gone, ...rest } = runOf(job, snag.at);
    return [fixOfChange(put('Knock the throat out', rest))];
  },
};

const strayRun: FixRule = {
  code: 'strayRun',
  candidates: (snag, job) => [fixOfChange({ label: `Take out ${nameOf(job, snag.at)}`, puts: [], removes: [snag.at] })],
};

export const sayMore: readonly FixRule[] = [
  noRain,
  assumedFigure,
  areaDisagrees,
  deepTrench,
  stoneMissing,
  sumpFreezes,
  throatLeft,
  strayRun,
];
