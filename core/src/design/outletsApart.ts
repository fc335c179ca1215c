/** A channel with several outlets, as when it stands against a wall that is cored, taken apart: a pipe of its own for each. */
import type { Change } from '../job/change';
import { freeOf } from '../job/edits/insert';
import { leaving } from '../job/edits/pipes';
import { freshId } from '../job/ids';
import { nameOf, ofKind, type Job } from '../job/job';
import { type Channel, type Element, type Run, type Surface } from '../job/kinds';
import { placeAlong } from '../job/places';
import { wayLength, type Place } from '../site/place';

/** The stretch of a way between two distances along it (m), with the corners between them. */
function stretch(way: readonly Place[], from: number, to: number): Place[] {
  const corners = way.filter((_, k) => {
    const along = wayLength(way.slice(0, k + 1));
    return along > from + 1e-6 && along < to - 1e-6;
  });
  return [placeAlong(way, from), ...corners, placeAlong(way, to)];
}

/** Where the water divides between outlets: halfway from one to the next. From the upper end, m, both ends with it. */
const divides = (places: readonly number[], length: number): number[] => [
  0,
  ...places.slice(1).map((place, k) => (places[k]! + place) / 2),
  length,
];

/**
 * The change that makes of a channel with several outlets as many channels end to end, parted where the water divides, each with an outlet
 * where it was and a pipe of its own to where the one pipe led. What sheds to it is shared by length. The lowest keeps the channel's id and
 * pipe. Null of a channel with one outlet, or none that leads on.
 */
export function outletsApart(job: Job, channel: Channel): Change | null {
  const { outlet, length, slope, topSlope = 0, way } = channel;
  const run = leaving(job, channel.id);
  if (!Array.isArray(outlet) || outlet.length < 2 || !run) return null;
  const at = divides(outlet, length);
  const along = way ? wayLength(way) / length : 1;
  const taken = new Set(job.elements.all.map(({ id }) => nameOf(job, id)));
  const parts = outlet.map((place, k): Channel => {
    const [from, to] = [at[k]!, at[k + 1]!];
    const isLast = k === outlet.length - 1;
    const name = isLast ? channel.name : freeOf(taken, `${channel.name}, part 1`);
    taken.add(name);
    const above = length - to;
    return {
      ...channel,
      id: isLast ? channel.id : freshId('channel'),
      name,
      length: to - from,
      // Its grate and its bed lie as they did: what is told of it is told at its lower end.
      groundLevel: channel.groundLevel + topSlope * above,
      depth: Math.max(0.01, channel.depth - slope * above),
      outlet: to - place < 1e-6 ? 'end' : [place - from],
      ...(way ? { way: stretch(way, from * along, to * along) } : {}),
    };
  });
  const pipes = parts.slice(0, -1).map(({ id }): Run => {
    const { bends: _its, name: _one, laid: _read, ...alike } = run;
    return { ...alike, id: freshId('run'), from: id };
  });
  const shedding = ofKind(job, 'surface').flatMap((surface): Surface[] => {
    const own = surface.feeds.find(({ to }) => to === channel.id);
    if (!own) return [];
    const shared = parts.map((part) => ({ to: part.id, share: (own.share * part.length) / length }));
    return [{ ...surface, feeds: [...surface.feeds.filter((feed) => feed !== own), ...shared] }];
  });
  const puts: Element[] = [...parts, ...pipes, ...shedding];
  return { label: `A pipe for each outlet of ${channel.name}`, puts, removes: [] };
}
