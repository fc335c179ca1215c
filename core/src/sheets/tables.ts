/** Every table of a job as rows of words, in the job's own units: printed, saved and read by other programs alike. */
import { GRATE_FACTS } from '../catalogue/grates';
import { MATERIAL_FACTS } from '../catalogue/pipes';
import { digSheet, stationName, targetRod, type DigLine } from '../field/digSheet';
import { levelsTable } from '../formats/levelsCsv';
import { headOf, landingsOf, nameOf, ofKind, type Job } from '../job/job';
import { kindOf } from '../job/kinds';
import type { Plan } from '../verdict/planJob';
import type { Price } from '../price/price';
import { priceOf } from '../price/price';
import { takeOff, type TakeOff } from '../quantities/takeOff';
import { sharingOf } from '../quantities/sharingWords';
import { METRES_PER_FOOT, showFlow, showLength, showLevel, showNominal, showPitch, showSmall, text } from '../units';
import { amountOf, partsTable } from '../quantities/words';
import { lineLabel, money, rateUnit } from '../price/words';
import { placedLevels } from '../yard/ground';

export interface Table {
  title: string;
  columns: readonly { title: string; right?: true; wide?: true }[];
  rows: readonly (readonly string[])[];
  /**
   * What its cells say as numbers, in SI or least units of money, row by row, null where they say none: what it is put in order by.
   * Rows past the last of these stay below the others.
   */
  measures?: readonly (readonly (number | null)[])[];
  /** Element that each row is of. */
  ids?: readonly string[];
}

type Row = readonly string[];

/** A row as it is read, as it is measured, and the element that it is of. */
interface Measured {
  id: string;
  cells: readonly (string | readonly [said: string, measure: number | null])[];
}

const measured = (lines: readonly Measured[]): Required<Pick<Table, 'rows' | 'measures' | 'ids'>> => ({
  rows: lines.map(({ cells }) => cells.map((cell) => (typeof cell === 'string' ? cell : cell[0]))),
  measures: lines.map(({ cells }) => cells.map((cell) => (typeof cell === 'string' ? null : cell[1]))),
  ids: lines.map(({ id }) => id),
});

/** What is laid: a run a row, line by line. */
export function runsTable(job: Job, plan: Plan): Table {
  const { units } = headOf(job);
  const level = (metres: number) => [text(showLevel(metres, units)), metres] as const;
  const lines = plan.lines.flatMap(({ letter, runs }) =>
    runs.flatMap((id): Measured[] => {
      const run = plan.runs[id];
      if (!run) return [];
      const pipe = `${text(showNominal(run.nominal, units))} ${MATERIAL_FACTS[run.material].short}`;
      return [
        {
          id,
          cells: [
            letter,
            nameOf(job, id),
            [`${run.parallel > 1 ? `${run.parallel} × ` : ''}${pipe}`, run.nominal * run.parallel],
            [text(showLength(run.length, units)), run.length],
            [text(showPitch(run.pitch)), run.pitch],
            level(run.invertUp),
            level(run.invertDown),
            [text(showSmall(run.cover, units)), run.cover],
            [text(showFlow(run.flow, units)), run.flow],
            [text(showFlow(run.capacity, units)), run.capacity],
          ],
        },
      ];
    }),
  );
  return {
    title: 'Schedule of runs',
    columns: [
      { title: 'Line' },
      { title: 'Run', wide: true },
      { title: 'Pipe' },
      { title: 'Length', right: true },
      { title: 'Pitch', right: true },
      { title: 'Invert up', right: true },
      { title: 'Invert down', right: true },
      { title: 'Least cover', right: true },
      { title: 'Flow', right: true },
      { title: 'Carries', right: true },
    ],
    ...measured(lines),
  };
}

/** Every landing: what it is, its ground, its invert and what enters there. */
export function inletsTable(job: Job, plan: Plan): Table {
  const { units } = headOf(job);
  const lines = landingsOf(job).map((landing): Measured => {
    const planned = plan.landings[landing.id];
    const ground = planned?.groundLevel ?? landing.groundLevel;
    const invert = planned?.invert ?? null;
    return {
      id: landing.id,
      cells: [
        nameOf(job, landing.id),
        landing.kind === 'basin' ? `${GRATE_FACTS[landing.grate].label} basin` : kindOf(landing.kind).label,
        [text(showLevel(ground, units)), ground],
        invert === null ? '' : [text(showLevel(invert, units)), invert],
        planned ? [text(showFlow(planned.entering, units)), planned.entering] : '',
      ],
    };
  });
  return {
    title: 'Inlets and ends',
    columns: [
      { title: 'Name', wide: true },
      { title: 'What' },
      { title: 'Ground', right: true },
      { title: 'Invert', right: true },
      { title: 'Water that enters', right: true },
    ],
    ...measured(lines),
  };
}

const EVERY = { us: 10 * METRES_PER_FOOT, metric: 3 } as const;

/** Dig sheets of a plan, at the usual spacing of stations. */
export const digLines = (job: Job, plan: Plan): DigLine[] => digSheet(job, plan, EVERY[headOf(job).units]);

/** What a line is dug by, from its way out upward. With a line of sight (m): what the rod must read on the invert. */
export function digTable(job: Job, plan: Plan, line: DigLine, sight: number | null = null): Table {
  const { units } = headOf(job);
  const level = (metres: number): string => text(showLevel(metres, units));
  const sharing = sharingOf(job, plan);
  const met = new Map<string, string[]>();
  line.meets.forEach(({ id, from }) => {
    const next = line.stations.findIndex(({ up }) => up >= from);
    const at = String(next < 0 ? line.stations.length - 1 : next);
    met.set(at, [...(met.get(at) ?? []), `${nameOf(job, id)} at ${text(showLength(from, units))}`]);
  });
  const rows = line.stations.map((station, k): Row => {
    const run = plan.runs[station.run]!;
    return [
      text(showLength(station.up, units)),
      stationName(job, station) ?? '',
      `${level(station.ground)}${station.assumed ? ', assumed' : ''}`,
      level(station.invert),
      text(showSmall(station.cut, units)),
      sight === null ? '' : text(showLength(targetRod(sight, station), units)),
      `${text(showNominal(run.nominal, units))} at ${text(showPitch(run.pitch))}`,
      [
        ...(met.get(String(k)) ?? []),
        // Once for each run, at its foot.
        ...(line.stations[k - 1]?.run === station.run ? [] : sharing(station.run)),
      ].join('; '),
      '',
    ];
  });
  return {
    title: `Dig sheet of line ${line.letter}`,
    columns: [
      { title: 'Up', right: true },
      { title: 'At', wide: true },
      { title: 'Ground', right: true },
      { title: 'Invert', right: true },
      { title: 'Cut', right: true },
      { title: 'Rod', right: true },
      { title: 'Pipe' },
      { title: 'Meets', wide: true },
      { title: 'As laid' },
    ],
    rows,
  };
}

/** What it takes; `places`: how many of a part's places are named, all when left out. */
export function partsSheet(job: Job, { parts }: TakeOff, places?: number): Table {
  const [head, ...rows] = partsTable(job, parts, places);
  return {
    title: 'Parts and earth',
    columns: head!.map((title, k) => ({
      title,
      ...(k === 2 || k === 3 ? { right: true } : {}),
      ...(k === 1 || k === 4 ? { wide: true } : {}),
    })),
    rows,
    measures: parts.map(({ net, buy }) => [null, null, net, buy, null]),
  };
}

/** What it costs, line by line: for the firm's own eyes. */
export function priceTable(job: Job, taken: TakeOff, price: Price): Table {
  const { units } = headOf(job);
  const cash = (amount: number): string => money(amount, price.currency);
  const rows = price.lines.map((line): Row => {
    const { per, said } = rateUnit(line.unit, units);
    return [
      lineLabel(job, taken, line),
      text(amountOf(line.quantity, line.unit, units)),
      `${cash(line.rate * per)} ${said}`,
      cash(line.amount),
    ];
  });
  const sums: [string, number][] = [
    ['Cost', price.cost],
    ['Contingency', price.contingency],
    ['Overhead', price.overhead],
    ['Profit', price.profit],
    ['Rounding', price.rounded],
    ['Price', price.price],
    ['Tax', price.tax],
    ['Total', price.total],
  ];
  return {
    title: 'Price, line by line',
    columns: [
      { title: 'For', wide: true },
      { title: 'Quantity', right: true },
      { title: 'Rate', right: true },
      { title: 'Amount', right: true },
    ],
    rows: [...rows, ...sums.map(([name, amount]): Row => [name, '', '', cash(amount)])],
    // What it comes to stands below its lines, whatever they are put in order by.
    measures: price.lines.map(({ quantity, rate, amount }) => [null, quantity, rate, amount]),
  };
}

/** Levels that stand on the plan, in metres, as they are read in again. */
function levelsSheet(job: Job): Table {
  const spots = new Map(ofKind(job, 'spotLevel').map((spot) => [spot.id, spot.name]));
  const [head, ...rows] = levelsTable(placedLevels(job).map((point) => ({ ...point, name: spots.get(point.id)! })));
  return { title: 'Levels', columns: head!.map((title) => ({ title })), rows };
}

/** Every table of a job, by the name that its file gets, each made when it is asked for; a dig sheet for each line. */
export function tablesOf(job: Job, plan: Plan): Record<string, () => Table> {
  const digs = digLines(job, plan).map((line) => [`dig-${line.letter.toLowerCase()}`, () => digTable(job, plan, line)]);
  return {
    runs: () => runsTable(job, plan),
    inlets: () => inletsTable(job, plan),
    parts: () => partsSheet(job, takeOff(job, plan)),
    price: () => {
      const taken = takeOff(job, plan);
      return priceTable(job, taken, priceOf(job, taken));
    },
    levels: () => levelsSheet(job),
    ...(Object.fromEntries(digs) as Record<string, () => Table>),
  };
}
