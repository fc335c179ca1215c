/** What a side of a question would change, in words. */
import { dearer } from '../price/words';
import { amountOf } from '../quantities/words';
import { decimals, showPitch, showSmall, text, type UnitSystem } from '../units';
import type { Difference } from './difference';
import type { SchoolGroup } from './school';

export const GROUP_LABELS: Record<SchoolGroup, string> = {
  built: 'What is built',
  pipe: 'The pipe',
  drain: 'Drains in the ground',
  ends: 'Inlets and ends',
  work: 'The work',
};

/** So many parts are named. */
const NAMED = 4;

const quarters = (hours: number): string => decimals(Math.abs(hours), 2).replace(/\.?0+$/, '');

/**
 * In short what it changes, as `+$212, 2 h more, 1 more to mend`; `''` where nothing differs. And line by line: depth and pitch, the parts,
 * what comes and what goes of that which is to be mended.
 */
export function differenceWords(difference: Difference, units: UnitSystem): { short: string; lines: string[] } {
  const { asked, currency, hours, deepest, leastPitch, parts, come, gone, worse, better } = difference;
  const mended = gone.length - come.length;
  const short = [
    dearer(asked, currency),
    Math.abs(hours) < 0.01 ? '' : `${quarters(hours)} h ${hours > 0 ? 'more' : 'less'}`,
    mended === 0 ? '' : `${Math.abs(mended)} ${mended > 0 ? 'fewer' : 'more'} to mend`,
    worse.length > 0 ? `${worse.length} worse` : '',
  ].filter((each) => each !== '');
  const lines: string[] = [];
  if (deepest)
    lines.push(
      `The deepest trench is ${text(showSmall(deepest[1], units))} deep, not ${text(showSmall(deepest[0], units))}.`,
    );
  if (leastPitch)
    lines.push(`The flattest pipe falls ${text(showPitch(leastPitch[1]))}, not ${text(showPitch(leastPitch[0]))}.`);
  const told = parts.flatMap(({ label, more, unit }) => {
    const amount = amountOf(Math.abs(more), unit, units);
    return Number(amount.value) === 0 ? [] : [`${text(amount)} ${more > 0 ? 'more' : 'less'}: ${label}.`];
  });
  lines.push(...told.slice(0, NAMED));
  const others = told.length - NAMED;
  if (others > 0) lines.push(others === 1 ? 'One more part differs.' : `${others} more parts differ.`);
  for (const { said } of come) lines.push(`Then: ${said}`);
  for (const { said } of worse) lines.push(`Worse: ${said}`);
  for (const { said } of better) lines.push(`Better, but still: ${said}`);
  for (const { said } of gone) lines.push(`No longer: ${said}`);
  return { short: short.join(', '), lines };
}
