/** What was built, as it is handed over: a table, and a place as somebody with two tapes is told it. */
import { AS_PLANNED } from '../field/asLaid';
import { headOf, type Job } from '../job/job';
import type { Solution } from '../plan/solution';
import type { Table } from '../sheets/tables';
import { showLength, showLevel, showSmall, text, type UnitSystem } from '../units';
import { builtPoints, type BuiltPoint } from './asBuilt';
import type { Ties } from './ties';

/** Two tapes in a sentence: 31′ 4″ from …, 22′ from …. */
export const tieWords = (ties: Ties | null, units: UnitSystem): string =>
  ties === null
    ? 'no two corners of a house in reach'
    : ties.tapes.map(({ corner, length }) => `${text(showLength(length, units))} from ${corner}`).join('; ');

export const depthWords = (depth: number | null, units: UnitSystem): string =>
  depth === null ? '' : text(showSmall(Math.max(0, depth), units));

/** How far it lies off its plan, in words. */
function offWords({ planned, laid }: BuiltPoint, units: UnitSystem): string {
  if (laid === null || planned === null) return 'not read: as planned';
  const off = laid - planned;
  if (Math.abs(off) <= AS_PLANNED) return 'as planned';
  return `${text(showSmall(Math.abs(off), units))} ${off > 0 ? 'high' : 'low'}`;
}

/** Every landing and bend: where it is by two tapes, how deep, and how it lies beside its plan. */
export function asBuiltTable(job: Job, plan: Pick<Solution, 'landings' | 'runs' | 'lines' | 'here'>): Table {
  const { units } = headOf(job);
  const points = builtPoints(job, plan);
  return {
    title: 'As built',
    columns: [
      { title: 'What', wide: true },
      { title: 'Where, by two tapes', wide: true },
      { title: 'Depth to invert', right: true },
      { title: 'Invert', right: true },
      { title: 'Beside the plan' },
    ],
    rows: points.map((point) => [
      point.name,
      tieWords(point.ties, units),
      depthWords(point.depth, units),
      point.planned === null ? '' : text(showLevel(point.laid ?? point.planned, units)),
      offWords(point, units),
    ]),
    ids: points.map(({ id }) => id),
  };
}
