/** What a change says to others: a question asked, answered, or done with. */
import { nameOf, type Change, type Job, type Note } from '@katabasis/core';

const SHOWN = 200;
const quoted = ({ text }: Note): string => `“${text.length > SHOWN ? `${text.slice(0, SHOWN - 1).trimEnd()}…` : text}”`;
const noteIn = (job: Job, id: string | undefined): Note | null => {
  const found = id === undefined ? undefined : job.elements.get(id);
  return found?.kind === 'note' ? found : null;
};

/** Sentences, as each is told; `by`: who made the change. */
export function noteNews(before: Job, { puts }: Pick<Change, 'puts'>, by: string): string[] {
  return puts.flatMap((is) => {
    if (is.kind !== 'note') return [];
    const was = noteIn(before, is.id);
    const asked = noteIn(before, is.of);
    if (!was && asked?.sort === 'asks') return [`${by} answers ${quoted(asked)}: ${quoted(is)}`];
    if (is.sort !== 'asks') return [];
    if (was) return was.done === undefined && is.done !== undefined ? [`${by} is done with ${quoted(is)}`] : [];
    const where = is.of !== undefined && before.elements.get(is.of) ? ` at ${nameOf(before, is.of)}` : '';
    return [`${by} asks${where}: ${quoted(is)}`];
  });
}
