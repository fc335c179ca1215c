/** What people agreed or said to each other stays as it was written: it is taken back on a day, never altered and never taken out. */
import type { Change } from './change';
import type { Job } from './job';
import { FIXED_SORTS, type Note } from './kinds';

/** A note that stays, as seen on a day `today`: from the day after it was written on. */
export const isFixed = ({ sort, on }: Note, today: string): boolean => FIXED_SORTS.includes(sort) && on < today;

/** Whether a note says what it said: it may be taken back, lead to another thing, or be charged for where no price was named. */
const saysTheSame = (was: Note, is: Note): boolean =>
  was.sort === is.sort &&
  was.text === is.text &&
  was.on === is.on &&
  was.by === is.by &&
  (was.amount === undefined || was.amount === is.amount);

/** Notes of before `today` that a change would alter or take out. */
export function agreedAltered(before: Job, { puts, removes }: Pick<Change, 'puts' | 'removes'>, today: string): Note[] {
  const fixed = (id: string): Note | null => {
    const was = before.elements.get(id);
    return was?.kind === 'note' && isFixed(was, today) ? was : null;
  };
  const altered = puts.flatMap((element) => {
    const was = fixed(element.id);
    return was && !(element.kind === 'note' && saysTheSame(was, element)) ? [was] : [];
  });
  return [...removes.flatMap((id) => fixed(id) ?? []), ...altered];
}

/** Why it is not done. */
export const agreedSentence = ({ text }: Note): string =>
  `“${text.length > 60 ? `${text.slice(0, 59).trimEnd()}…` : text}” was agreed, and stays as it was written. Take it back, or write down what is agreed now.`;
