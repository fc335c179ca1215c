/** The tools that a job asks for, each with its size. */
import type { Item } from '../catalogue/items';
import { BUCKETS, excavatorFor, type Excavator } from '../catalogue/diggers';
import { outsideOf } from '../catalogue/supply';
import { ofKind, type Job } from '../job/job';
import { pricesOf } from '../price/book';
import { netOf, type TakeOff } from '../quantities/takeOff';
import { noMachineIn } from '../quantities/widths';
import { LADDER, PROTECTED } from '../quantities/words';

/** What is told of each: sizes in m. */
export type Tool =
  | { type: 'excavator'; machine: Excavator['name'] | null; bucket: number; reach: number }
  | { type: 'trencher'; depth: number }
  | { type: 'borer' | 'holeSaw'; sizes: readonly number[] }
  | { type: 'ladder' | 'shields'; depth: number }
  | { type: 'tarp' | 'board'; count: number }
  | { type: 'pipeSaw'; sizes: readonly number[] }
  | {
      type:
        | 'sodCutter'
        | 'rammer'
        | 'wetSaw'
        | 'waterPump'
        | 'spades'
        | 'barrow'
        | 'levelAndRod'
        | 'bubble'
        | 'drill'
        | 'weepBit'
        | 'hose'
        | 'mixer';
    };
export type ToolType = Tool['type'];

/** From this much turf on a cutter is worth its way, m². */
const CUTTER = 8;
/** Earth that a tarp of 10 by 12 ft takes, m³, and the most that lies beside a trench at once where it is opened line by line. */
const TARP = 1.5;
const MOST_TARPS = 12;
/** A board of 8 by 4 ft lies under tracks along turf, m; and the most that a crew lays and takes up again. */
const BOARD = 2.4;
const MOST_BOARDS = 12;

const sizesOf = (all: readonly number[]): number[] =>
  [...new Set(all.map((size) => Math.round(size * 1e4)))].sort((a, b) => a - b).map((size) => size / 1e4);

/** Machines and what digs. */
function diggers(job: Job, { trenches, works, parts }: TakeOff): Tool[] {
  const { gate, narrow } = pricesOf(job).conditions;
  const dug = trenches.filter(({ bored, length }) => bored < length);
  const machined = dug.filter(({ digger }) => digger === 'excavator');
  const depth = Math.max(0, ...machined.map((each) => each.depth));
  const chain = dug.filter(({ digger }) => digger === 'trencher');
  const isMoved = parts.some(({ item, net }) => item.type === 'dug' && net > 0);
  const digsWorks = works.length > 0 || (isMoved && trenches.length === 0);
  const width = Math.max(0, ...machined.map((each) => each.width));
  const excavator: Tool[] =
    machined.length > 0 || digsWorks
      ? [
          {
            type: 'excavator',
            machine: narrow ? null : (excavatorFor(depth, gate)?.name ?? null),
            bucket: [...BUCKETS].reverse().find((bucket) => bucket <= width + 1e-6) ?? BUCKETS[1]!,
            reach: depth,
          },
        ]
      : [];
  return [
    ...excavator,
    ...(chain.length > 0 && !noMachineIn(job, trenches)
      ? [{ type: 'trencher' as const, depth: Math.max(...chain.map((each) => each.depth)) }]
      : []),
  ];
}

/** All tools, machines first. None where nothing is built. */
export function toolsOf(job: Job, taken: TakeOff): Tool[] {
  const { parts, trenches } = taken;
  if (parts.length === 0) return [];
  const net = (...types: Item['type'][]): number => netOf(parts, ...types);
  const { wet = 0, barrow = 0, narrow } = pricesOf(job).conditions;
  const deepest = Math.max(0, ...trenches.map(({ depth }) => depth));
  const bored = trenches.filter((each) => each.bored > 0).map(({ id }) => id);
  const boredSizes = sizesOf(
    ofKind(job, 'run').flatMap(({ id, material, nominal }) =>
      bored.includes(id) ? [outsideOf(material, nominal)] : [],
    ),
  );
  const holes = sizesOf(
    parts.flatMap(({ item }) => (item.type === 'boxOutlet' ? [outsideOf(item.material, item.nominal)] : [])),
  );
  const cut = sizesOf(parts.flatMap(({ item }) => (item.type === 'pipe' ? [item.nominal] : [])));
  const heap = Math.max(0, ...trenches.map(({ volume }) => volume));
  const overTurf = trenches.reduce((sum, { turf, own }) => sum + (turf > 0 ? own : 0), 0);
  const machines = diggers(job, taken);
  const when = (is: boolean, tool: Tool): Tool[] => (is ? [tool] : []);
  return [
    ...machines,
    ...when(net('sodCut', 'turf') >= CUTTER, { type: 'sodCutter' }),
    ...when(net('backfill') > 0, { type: 'rammer' }),
    ...when(net('saw') > 0, { type: 'wetSaw' }),
    ...when(boredSizes.length > 0, { type: 'borer', sizes: boredSizes }),
    ...when(wet > 0, { type: 'waterPump' }),
    ...when(deepest >= LADDER, { type: 'ladder', depth: deepest }),
    ...when(deepest >= PROTECTED, { type: 'shields', depth: deepest }),
    { type: 'spades' },
    ...when(barrow > 0 || narrow === true, { type: 'barrow' }),
    ...when(trenches.length > 0, { type: 'levelAndRod' }),
    ...when(trenches.length > 0, { type: 'bubble' }),
    ...when(cut.length > 0, { type: 'pipeSaw', sizes: cut }),
    ...when(holes.length > 0, { type: 'holeSaw', sizes: holes }),
    ...when(net('screws', 'weepHole', 'channel') > 0, { type: 'drill' }),
    ...when(net('weepHole') > 0, { type: 'weepBit' }),
    ...when(net('concrete') > 0, { type: 'mixer' }),
    // What is dug lies on the lawn until it goes back.
    ...when(heap > 0 && overTurf > 0, { type: 'tarp', count: Math.min(MOST_TARPS, Math.ceil(heap / TARP)) }),
    ...when(machines.length > 0 && overTurf > 0 && !noMachineIn(job, trenches), {
      type: 'board',
      count: Math.min(MOST_BOARDS, 2 * Math.ceil(overTurf / BOARD)),
    }),
    ...when(trenches.length > 0, { type: 'hose' }),
  ];
}
