import type { Rule, Severity } from '../snag';
import { entriesOf } from '../valuesOf';

const HOUR = 3600;
/** Drained within a day it is as good as dry; after three days mosquitoes hatch. */
const GOOD = 24 * HOUR;
const BREEDS = 72 * HOUR;

function severityOf(time: number | null): Severity | null {
  if (time === null || time > BREEDS) return 'fix';
  return time > GOOD ? 'mind' : null;
}

/** Water that stays in the line behind a pop-up, up to its lid. */
export const popupHolds: Rule = {
  code: 'popupHolds',
  short: 'holds water',
  find: (job, { standing }) =>
    entriesOf(job, standing).flatMap(([id, { depth, length, drainTime, fed }]) => {
      const severity = severityOf(drainTime);
      if (!severity) return [];
      return [
        {
          code: 'popupHolds',
          severity,
          at: id,
          measure: 'small' as const,
          figure: depth,
          limit: 0,
          length,
          fed,
          ...(drainTime === null ? {} : { time: drainTime }),
        },
      ];
    }),
  tell: (snag, say) => ({
    headline: `The line behind ${say.name(snag.at)} holds water ${say.show('small', snag.figure)} deep over ${say.show('length', snag.length ?? 0)}, ${lasts(snag.time)}.`,
    why: `It stands from the lid back to where the pipe rises to it${snag.fed ? ', and what always runs into it keeps it so' : ''}. Standing water freezes, smells and breeds mosquitoes after three days.`,
    instead:
      'Drain it by weep holes on stone or a leaching tee in soil that takes water, or bring it to daylight lower down.',
  }),
};

function lasts(time: number | undefined): string {
  if (time === undefined) return 'with nothing to drain it';
  const hours = time / HOUR;
  return hours < 72
    ? `for ${Math.round(hours)} hours after the rain`
    : `for ${Math.round(hours / 24)} days after the rain`;
}
