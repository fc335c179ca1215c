/** A low spot: an inlet in it and a line away, or its ground raised so that nothing stands there. */
import { cellAt, placeOf } from '../../ground/grid';
import type { Pond } from '../../ground/ponds';
import { waysOf, type RaisedGround } from '../../job/buildWays';
import { freeName, freeOf, newRun, onPlan, runAlong } from '../../job/edits/insert';
import { removal } from '../../job/edits/remove';
import { leaving } from '../../job/edits/pipes';
import { freshId } from '../../job/ids';
import { changed } from '../../job/change';
import { headOf, ofKind, type Job } from '../../job/job';
import type { Basin } from '../../job/kinds';
import { centreOf, distance, hullOf } from '../../site/place';
import { yardWater } from '../../yard/water';
import type { School } from '../school';
import { redrawnQuestion, withPuts } from './redrawn';

type LowSpot = { basin: string } | { raised: string };

/** The pond that stands where a basin is, with the corners round it; null where none does. */
function pondAt(job: Job, { place }: Basin): { pond: Pond; outline: RaisedGround['outline'] } | null {
  const water = yardWater(job);
  const cell = water && place ? cellAt(water.grid, place) : -1;
  const pond = water?.ponds.find(({ cells }) => cells.includes(cell));
  if (!pond || pond.volume <= 0) return null;
  const half = water!.grid.cell / 2;
  const corners = pond.cells.flatMap((at) => {
    const { east, north } = placeOf(water!.grid, at);
    return [-half, half].flatMap((e) => [-half, half].map((n) => ({ east: east + e, north: north + n })));
  });
  return { pond, outline: hullOf(corners) };
}

const raisedOf = (job: Job): readonly RaisedGround[] => waysOf(headOf(job).ways).raised;

const withRaised = (job: Job, raised: RaisedGround[]): Job =>
  withPuts(job, { ...headOf(job), ways: { ...headOf(job).ways, raised } });

/** The ground where a pond stands raised to where it spills, in place of a basin and its line. */
function filled(job: Job, basin: Basin): Job {
  const { pond, outline } = pondAt(job, basin)!;
  const bare = changed(job, removal(job, basin.id));
  return withRaised(bare, [
    ...raisedOf(bare),
    {
      name: freeOf(new Set(raisedOf(bare).map(({ name }) => name)), 'Raised low spot'),
      area: pond.area,
      depth: pond.volume / pond.area,
      outline,
      level: pond.spillLevel,
    },
  ]);
}

/** A basin in the low spot with a line to the nearest way out that lies lower, in place of the ground that was raised. */
function drained(job: Job, { name, outline = [], level = 0 }: RaisedGround): Job {
  const bare = withRaised(
    job,
    raisedOf(job).filter((each) => each.name !== name),
  );
  const water = yardWater(bare);
  const within = water?.ponds.find(({ cells }) => cells.includes(cellAt(water.grid, centreOf(outline))));
  const place = within ? placeOf(water!.grid, within.deepest) : centreOf(outline);
  const basin = onPlan(
    {
      id: freshId('basin'),
      kind: 'basin',
      name: freeName(bare, 'Basin'),
      grate: 'flat12',
      groundLevel: within ? water!.grid.levels[within.deepest]! : level,
    },
    place,
  );
  const put = withPuts(bare, basin);
  const outs = ofKind(bare, 'discharge').flatMap(({ id, place: at, groundLevel }) =>
    at && groundLevel < basin.groundLevel ? [{ id, place: at, away: distance(at, place) }] : [],
  );
  const nearest = outs.sort((a, b) => a.away - b.away)[0];
  if (!nearest) return put;
  const run = newRun(put, freshId('run'), basin.id, nearest.id, nearest.away);
  return withPuts(put, runAlong(run, [place, nearest.place]));
}

function lowSpots(job: Job): LowSpot[] {
  const raised = raisedOf(job).filter(({ outline }) => outline);
  const basins = ofKind(job, 'basin').filter((basin) => basin.place && !basin.here && leaving(job, basin.id));
  return [
    ...basins.filter((basin) => pondAt(job, basin)).map(({ id }) => ({ basin: id })),
    ...raised.map(({ name }) => ({ raised: name })),
  ];
}

export const lowSpot: School = redrawnQuestion<LowSpot>({
  id: 'lowSpot',
  question: 'A low spot: drain it, or raise the ground?',
  sides: [
    {
      id: 'drain',
      label: 'A basin in it',
      reasons: 'The lawn stays as it is, and other low places can join the line. It is kept clear for good.',
    },
    {
      id: 'raise',
      label: 'Raise the ground',
      reasons:
        'Nothing stands, nothing clogs, and what a trench leaves over is used. The water runs on: look at where to. Not against siding, not over a tree’s roots.',
    },
  ],
  places: lowSpots,
  sideOf: (place) => ('basin' in place ? 'drain' : 'raise'),
  redraw: (job, place) => {
    if ('raised' in place)
      return drained(
        job,
        raisedOf(job).find(({ name }) => name === place.raised)!,
      );
    const basin = job.elements.get(place.basin) as Basin;
    // Another basin of the same pond was taken out before, and its ground raised.
    return pondAt(job, basin) ? filled(job, basin) : changed(job, removal(job, basin.id));
  },
});
