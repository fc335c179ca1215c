/** Snags of lines that join an existing main. */
import { put } from '../../job/change';
import { dischargeOf, runOf } from '../../job/edits/pipes';
import { highestJoin } from '../../network/receiving';
import { fixOfChange, type FixRule } from './fix';

const dropAtMain: FixRule = {
  code: 'dropAtMain',
  candidates: (snag, job, { settings }) => {
    const run = runOf(job, snag.at);
    const up = run.grade.type === 'levels' && run.grade.up !== undefined ? { up: run.grade.up } : {};
    const down = highestJoin(dischargeOf(job, snag.other!), settings);
    return [fixOfChange(put('Lay it down to the main', { ...run, grade: { type: 'levels', ...up, down } }))];
  },
};

export const mains: readonly FixRule[] = [dropAtMain];
