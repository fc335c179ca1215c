/** Taking an element out of a job without leaving anything pointing at nothing. */
import type { Change } from './change';
import type { Element, Feed, Run } from './elements';
import { nameOf, ofKind, type Job } from './job';

const without = (feeds: Feed[], id: string): Feed[] => feeds.filter((feed) => feed.to !== id);

/** Elements that sent water to `id`, with that share taken off. */
function unfed(job: Job, id: string): Element[] {
  const changed: Element[] = [];
  for (const element of Object.values(job.elements)) {
    if (
      (element.kind === 'roofFace' || element.kind === 'surface' || element.kind === 'fixedFlow') &&
      element.feeds.some((feed) => feed.to === id)
    ) {
      changed.push({ ...element, feeds: without(element.feeds, id) });
    }
    if (element.kind === 'downspout' && element.spillsTo === id) {
      const { spillsTo: _gone, ...rest } = element;
      changed.push({ ...rest, ...(rest.landsOn ? { landsOn: without(rest.landsOn, id) } : {}) });
    }
    if ((element.kind === 'basin' || element.kind === 'channel') && element.passesTo === id) {
      const { passesTo: _gone, ...rest } = element;
      changed.push(rest);
    }
    if (element.kind === 'downspout' && element.landsOn?.some((feed) => feed.to === id)) {
      changed.push({ ...element, landsOn: without(element.landsOn, id) });
    }
  }
  return changed;
}

/**
 * The change that removes an element. Shares that led to it go too; a run that arrived at a removed landing is carried on to
 * where the landing's own run went, with both lengths, so that a line is not cut by taking a wye out of it.
 */
export function removal(job: Job, id: string): Change {
  const label = `Remove ${nameOf(job, id)}`;
  const puts = unfed(job, id);
  const removes = [id];
  const runs = ofKind(job, 'run');
  const leaving = runs.find((run) => run.from === id);
  if (leaving) removes.push(leaving.id);
  for (const run of runs) {
    if (run.to !== id) continue;
    if (leaving && leaving.to !== run.from) puts.push(carriedOn(run, leaving));
    else removes.push(run.id);
  }
  return { label, puts, removes };
}

function carriedOn(run: Run, next: Run): Run {
  return {
    ...run,
    to: next.to,
    length: run.length + next.length,
    nominal: Math.max(run.nominal, next.nominal),
    grade: { type: 'auto' },
  };
}
