/** Paving: on a dense base that sheds its rain to an inlet, or on open stone that takes it in and lets it out by a pipe. */
import { freeName } from '../../job/edits/insert';
import { entering, leaving } from '../../job/edits/pipes';
import { freshId } from '../../job/ids';
import { ofKind, type Job } from '../../job/job';
import type { Basin, Channel, PavedBed, Surface } from '../../job/kinds';
import { placeOfLanding } from '../../job/places';
import { distance, type Place } from '../../site/place';
import { METRES_PER_INCH } from '../../units/constants';
import { areaCovered } from '../../works/measures';
import type { School } from '../school';
import { redrawnQuestion, without, withPuts } from './redrawn';

const PAVING = new Set<Surface['cover']>(['paving', 'pavers']);

/** Open stone under new paving, m, and the fall of its floor away from the building. */
const STONE = 12 * METRES_PER_INCH;
const FALL = 0.01;
const CHANNEL = { width: 4 * METRES_PER_INCH, depth: 6 * METRES_PER_INCH };

type Paved = { inlet: string; surfaces: readonly string[] } | { bed: string };

/** What sheds to an inlet, where all of that is paving that sheds nowhere else; none where anything else does. */
function shedTo(job: Job, id: string): Surface[] {
  const all = ofKind(job, 'surface').filter(({ feeds }) => feeds.some(({ to }) => to === id));
  return all.every(({ cover, feeds }) => PAVING.has(cover) && feeds.length === 1) ? all : [];
}

/** New inlets that paving sheds to and nothing else comes to, and new beds, all with a pipe that leaves them. */
function pavedPlaces(job: Job): Paved[] {
  const fed = new Set([...ofKind(job, 'basin'), ...ofKind(job, 'channel')].flatMap(({ passesTo }) => passesTo ?? []));
  const inlets = [...ofKind(job, 'basin'), ...ofKind(job, 'channel')].flatMap(({ id, here }): Paved[] => {
    if (here || fed.has(id) || !leaving(job, id) || entering(job, id).length > 0) return [];
    const surfaces = shedTo(job, id).map((surface) => surface.id);
    return surfaces.length > 0 ? [{ inlet: id, surfaces }] : [];
  });
  const beds = ofKind(job, 'pavedBed').filter(({ id, here }) => !here && leaving(job, id) !== undefined);
  return [...inlets, ...beds.map(({ id }) => ({ bed: id }))];
}

/** An outline that begins at the corner nearest to a place. */
function startingBy(outline: readonly Place[], place: Place): Place[] {
  let first = 0;
  for (const [k, corner] of outline.entries())
    if (distance(corner, place) < distance(outline[first]!, place)) first = k;
  return [...outline.slice(first), ...outline.slice(0, first)];
}

/** Open stone in the inlet's place, under what shed to it. The stone takes its own rain in: nothing sheds any more. */
function opened(job: Job, inlet: Basin | Channel, surfaces: readonly Surface[]): Job {
  const place = placeOfLanding(inlet);
  const drawn = surfaces.length === 1 ? surfaces[0]!.outline : undefined;
  const bed: PavedBed = {
    id: freshId('bed'),
    kind: 'pavedBed',
    name: freeName(job, 'Permeable base'),
    groundLevel: inlet.groundLevel,
    ...(inlet.levelFrom ? { levelFrom: inlet.levelFrom } : {}),
    ...(drawn && place ? { outline: startingBy(drawn, place) } : {}),
    area: surfaces.reduce((sum, surface) => sum + areaCovered(surface), 0),
    depth: STONE,
    fall: FALL,
  };
  const led = withPuts(job, bed, { ...leaving(job, inlet.id)!, from: bed.id });
  return without(led, inlet.id, ...surfaces.map(({ id }) => id));
}

/** A channel along the low edge in the bed's place, and the paving that sheds to it. */
function closed(job: Job, bed: PavedBed): Job {
  const area = areaCovered(bed);
  const along = area / (bed.length ?? Math.sqrt(area));
  const corners = bed.outline;
  const channel: Channel = {
    id: freshId('channel'),
    kind: 'channel',
    name: freeName(job, 'Channel drain'),
    groundLevel: bed.groundLevel,
    ...(bed.levelFrom ? { levelFrom: bed.levelFrom } : {}),
    ...(corners ? { way: [corners[1]!, corners[0]!] } : {}),
    ...CHANNEL,
    length: corners ? distance(corners[0]!, corners[1]!) : along,
    slope: 0,
  };
  const paving: Surface = {
    id: freshId('ground'),
    kind: 'surface',
    name: freeName(job, 'Paving'),
    cover: 'pavers',
    ...(corners ? { outline: corners } : {}),
    area,
    feeds: [{ to: channel.id, share: 1 }],
  };
  const moved = entering(job, bed.id).map((run) => ({ ...run, to: leaving(job, bed.id)!.to }));
  const fed = ofKind(job, 'surface')
    .filter(({ feeds }) => feeds.some(({ to }) => to === bed.id))
    .map((surface) => ({
      ...surface,
      feeds: surface.feeds.map((feed) => (feed.to === bed.id ? { ...feed, to: channel.id } : feed)),
    }));
  const led = withPuts(job, channel, paving, ...fed, ...moved, { ...leaving(job, bed.id)!, from: channel.id });
  return without(led, bed.id);
}

export const pavingBase: School = redrawnQuestion<Paved>({
  id: 'base',
  question: 'Under paving: a dense base, or open stone?',
  sides: [
    {
      id: 'dense',
      label: 'A dense base',
      reasons:
        'Every crew can lay it, and it carries wheels. All its rain runs to an inlet, which has to be kept clear.',
    },
    {
      id: 'open',
      label: 'Open stone',
      reasons:
        'The joints take the rain in and the stone holds the storm: no grate at the door, and less comes to the pipe. More is dug and hauled, and joints are swept out in years to come.',
    },
  ],
  places: pavedPlaces,
  sideOf: (place) => ('bed' in place ? 'open' : 'dense'),
  redraw: (job, place) =>
    'bed' in place
      ? closed(job, job.elements.get(place.bed) as PavedBed)
      : opened(
          job,
          job.elements.get(place.inlet) as Basin | Channel,
          place.surfaces.map((id) => job.elements.get(id) as Surface),
        ),
});
