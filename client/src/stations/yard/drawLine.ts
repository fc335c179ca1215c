/** A line drawn by tapping: from a landing by its bends to a landing, or onto another line, where it makes a wye. */
import {
  footOnWay,
  freeName,
  freshId,
  isLaid,
  isLanding,
  newRun,
  ofKind,
  runAlong,
  splitRun,
  wayLength,
  wayOfRun,
  waysOn,
  type Change,
  type Job,
  type Junction,
  type Place,
  type Run,
} from '@katabasis/core';
import type { Snapped } from '../../drawing/yard/snap';

export type Drawn =
  | { type: 'wrong'; sentence: string }
  /** One place more; `from` is where it starts. */
  | { type: 'on'; from: string }
  | { type: 'done'; change: Change; id: string };

export const lineStart = (job: Job): string =>
  job.elements.all.some((element) => isLanding(element) && ('place' in element || 'way' in element))
    ? 'Tap where the water is: a downspout, a basin, a channel or a landing.'
    : 'Put down a downspout or a basin first, and a way out.';

/** What the next tap of a line does. */
export function drawLine(job: Job, places: readonly Place[], from: string | null, { id, place }: Snapped): Drawn {
  const target = id === null ? undefined : job.elements.get(id);
  if (places.length === 0 || from === null) {
    if (!target || !isLanding(target))
      return { type: 'wrong', sentence: 'A line starts on a downspout, a basin, a channel or a landing.' };
    if (target.kind === 'discharge') return { type: 'wrong', sentence: 'A way out is where a line ends.' };
    if (ofKind(job, 'run').some((run) => run.from === target.id && isLaid(run)))
      return { type: 'wrong', sentence: `A pipe leaves ${target.name} already; tap that pipe to change it.` };
    return { type: 'on', from: target.id };
  }
  if (!target) return { type: 'on', from };
  const way = [...places, place];
  const run = (to: string): Run => runAlong(newRun(job, freshId('run'), from, to, Math.max(0.05, wayLength(way))), way);
  if (target.kind === 'run') return ontoLine(job, target, place, from, run);
  if (!isLanding(target) || !waysOn(job, from).some((each) => each.id === target.id))
    return {
      type: 'wrong',
      sentence:
        target.id === from ? 'It starts there.' : 'Its water would go round: that drains through where it starts.',
    };
  const made = run(target.id);
  return { type: 'done', change: { label: 'Draw a line', puts: [made], removes: [] }, id: made.id };
}

/** Onto another line: a wye there, which parts it. */
function ontoLine(job: Job, target: Run, place: Place, from: string, run: (to: string) => Run): Drawn {
  const way = wayOfRun(job, target);
  if (!way) return { type: 'wrong', sentence: 'That line has no way on the plan yet.' };
  if (target.from === from || !waysOn(job, from).some((each) => each.id === target.to))
    return { type: 'wrong', sentence: 'Its water would go round: that line drains through where it starts.' };
  const foot = footOnWay(way, place);
  if (!foot) return { type: 'wrong', sentence: 'That line has no way on the plan yet.' };
  const own = (target.length * foot.along) / wayLength(way);
  if (own < 0.05 || own > target.length - 0.05)
    return { type: 'wrong', sentence: 'That is its end: tap the landing there.' };
  const wye: Junction = {
    id: freshId('node'),
    kind: 'junction',
    form: 'wye',
    name: freeName(job, 'Wye'),
    groundLevel: 0,
  };
  const split = splitRun(target, wye, freshId('run'), own, way);
  const made = run(wye.id);
  return {
    type: 'done',
    change: { label: 'Draw a line onto another', puts: [...split.puts, made], removes: [] },
    id: made.id,
  };
}
