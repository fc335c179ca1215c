/** A channel across paving: over its whole width or a part of it, along its edge or in its middle. */
import { HARD_COVERS } from '../../catalogue/surfaces';
import { ofKind, type Job } from '../../job/job';
import type { Channel } from '../../job/kinds';
import { distance, isWithin, middleOf, type Place } from '../../site/place';
import { METRES_PER_FOOT } from '../../units/constants';
import type { School } from '../school';
import { redrawnQuestion, withPuts } from './redrawn';

/** Of the width that a channel crosses, what still is all of it, and what a part is. */
const WHOLE = 0.9;
const PART = 0.6;
/** Of the depth of the paving, what is along its edge; and how far within it a channel lies there, m. */
const EDGE = 0.2;
const WITHIN = METRES_PER_FOOT / 2;

/** A straight channel on drawn paving, in axes along it and across: where the paving begins and ends either way, m from the channel's middle. */
interface Lie {
  id: string;
  middle: Place;
  along: Place;
  length: number;
  /** Along the channel, at its own place; and across it, through its middle. */
  width: readonly [number, number];
  depth: readonly [number, number];
}

/** Where a line through a place leaves an outline either way, m along it; null where it does not lie within. */
function reachIn(outline: readonly Place[], from: Place, { east, north }: Place): [number, number] | null {
  let [back, forth] = [-Infinity, Infinity];
  outline.forEach((a, k) => {
    const b = outline[(k + 1) % outline.length]!;
    const side = (p: Place): number => east * (p.north - from.north) - north * (p.east - from.east);
    const [first, second] = [side(a), side(b)];
    if (first > 0 === second > 0) return;
    const share = first / (first - second);
    const at =
      east * (a.east + share * (b.east - a.east) - from.east) +
      north * (a.north + share * (b.north - a.north) - from.north);
    if (at > 0) forth = Math.min(forth, at);
    else back = Math.max(back, at);
  });
  return Number.isFinite(back) && Number.isFinite(forth) ? [back, forth] : null;
}

function lieOf(job: Job, { id, way, here }: Channel): Lie | null {
  if (here || !way || way.length !== 2) return null;
  const [a, b] = [way[0]!, way[1]!];
  const length = distance(a, b);
  const middle = middleOf(way);
  const paving = ofKind(job, 'surface').find(
    ({ cover, outline }) => HARD_COVERS.has(cover) && outline && isWithin(outline, middle),
  );
  if (!paving || length === 0) return null;
  const along = { east: (b.east - a.east) / length, north: (b.north - a.north) / length };
  const width = reachIn(paving.outline!, middle, along);
  const depth = reachIn(paving.outline!, middle, { east: -along.north, north: along.east });
  return width && depth ? { id, middle, along, length, width, depth } : null;
}

const lies = (job: Job): Lie[] => ofKind(job, 'channel').flatMap((channel) => lieOf(job, channel) ?? []);

/** The job with a channel laid along its direction from one reach to another (m) about a middle. */
function laid(job: Job, { id, along }: Lie, about: Place, [from, to]: readonly [number, number]): Job {
  const at = (reach: number): Place => ({
    east: about.east + reach * along.east,
    north: about.north + reach * along.north,
  });
  const channel = job.elements.get(id) as Channel;
  return withPuts(job, { ...channel, way: [at(from), at(to)], length: to - from });
}

const isWhole = ({ length, width: [from, to] }: Lie): boolean => length >= WHOLE * (to - from);

/** The middle part of what a channel could cross. */
const partOf = ([from, to]: Lie['width']): [number, number] => {
  const spare = ((1 - PART) / 2) * (to - from);
  return [from + spare, to - spare];
};

/** Places of a channel's outlets may not lie where it no longer reaches. */
const movable = (job: Job): Lie[] =>
  lies(job).filter(({ id }) => !Array.isArray((job.elements.get(id) as Channel).outlet));

export const channelWidth: School = redrawnQuestion<Lie>({
  id: 'channelWidth',
  question: 'A channel across paving: its whole width, or part?',
  sides: [
    {
      id: 'whole',
      label: 'The whole width',
      reasons: 'Nothing runs past its ends to the door. More to buy and to saw.',
    },
    {
      id: 'part',
      label: 'Where the water comes',
      reasons: 'Cheaper where the paving sheds to its middle. What comes at its sides runs by: look where to.',
    },
  ],
  places: movable,
  sideOf: (lie) => (isWhole(lie) ? 'whole' : 'part'),
  redraw: (job, lie, side) => laid(job, lie, lie.middle, side === 'whole' ? lie.width : partOf(lie.width)),
});

/** How near to an edge of its paving a channel lies, as a share of the depth across it. */
const nearEdge = ({ depth: [back, forth] }: Lie): number => Math.min(-back, forth) / (forth - back);

export const channelEdge: School = redrawnQuestion<Lie>({
  id: 'channelEdge',
  question: 'A channel in paving: along its edge, or in its middle?',
  sides: [
    {
      id: 'edge',
      label: 'Along the edge',
      reasons: 'The slab stays whole and falls one way, to the channel. At a wall it also catches what runs down that.',
    },
    {
      id: 'middle',
      label: 'In the middle',
      reasons: 'Both halves fall to it, so neither is steep, and it stands off the wall. The slab is sawn through.',
    },
  ],
  places: movable,
  sideOf: (lie) => (nearEdge(lie) <= EDGE ? 'edge' : 'middle'),
  redraw: (job, lie, side) => {
    const { along, depth, middle } = lie;
    const [back, forth] = depth;
    const within = Math.min(WITHIN, (EDGE / 2) * (forth - back));
    const by = side === 'middle' ? (back + forth) / 2 : -back < forth ? back + within : forth - within;
    const about = { east: middle.east - by * along.north, north: middle.north + by * along.east };
    const moved = laid(job, lie, about, [-lie.length / 2, lie.length / 2]);
    const there = lieOf(moved, moved.elements.get(lie.id) as Channel);
    // Paving is not as wide everywhere: it goes as far as it did, of what is there.
    return there ? laid(moved, there, about, isWhole(lie) ? there.width : clipped(there.width, lie.length)) : moved;
  },
});

/** A length about the middle, no longer than what there is to cross. */
const clipped = ([from, to]: Lie['width'], length: number): [number, number] => [
  Math.max(from, -length / 2),
  Math.min(to, length / 2),
];
