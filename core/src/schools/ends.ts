/** Schools of where water comes in and goes out: floors of basins, feet and filters of downspouts, ends of lines. */
import { ofKind, type Job } from '../job/job';
import { isNew, landsOnGutter, type Discharge } from '../job/kinds';
import { SQUARE_METRES_PER_SQUARE_FOOT } from '../units/constants';
import { BY_PLACE, fieldQuestion, wayQuestion, type School } from './school';

/** Soil that a usual leaching tee wets, m²: 8 ft². */
const TEE = 8 * SQUARE_METRES_PER_SQUARE_FOOT;

const hasSpouts = (job: Job): boolean => ofKind(job, 'downspout').some((spout) => !landsOnGutter(spout));

/** Ways out that new pipe runs to. */
function outs(job: Job): Discharge[] {
  const reached = new Set(
    ofKind(job, 'run')
      .filter(isNew)
      .map(({ to }) => to),
  );
  return ofKind(job, 'discharge').filter(({ id, here }) => reached.has(id) && !here);
}

const emptied = fieldQuestion<Discharge>({
  id: 'popup',
  group: 'ends',
  question: 'How does a pop-up’s line empty?',
  sides: [
    {
      id: 'stands',
      label: 'It stands full',
      reasons: 'Nothing to dig under it. It breeds mosquitoes, smells, and freezes.',
    },
    {
      id: 'weep',
      label: 'Weep holes on stone',
      reasons: 'Two holes and a bucket of stone: enough where the soil drains.',
    },
    {
      id: 'leach',
      label: 'A leaching tee',
      reasons: 'A tee in stone takes the line’s last water down within a day. In clay it takes a week.',
    },
  ],
  of: (job) => outs(job).filter(({ form }) => form === 'popup'),
  sideOf: ({ drain }) => drain?.type ?? 'stands',
  set: ({ drain: was, ...out }, side) => {
    const soil = was?.soil === undefined ? {} : { soil: was.soil };
    if (side === 'weep') return { ...out, drain: { type: 'weep', ...soil } };
    return side === 'leach' ? { ...out, drain: { type: 'leach', area: TEE, ...soil } } : out;
  },
});

const guarded = fieldQuestion<Discharge>({
  id: 'guard',
  group: 'ends',
  question: 'At daylight: a guard, or open?',
  sides: [
    {
      id: 'guard',
      label: 'A guard',
      reasons: 'Keeps animals out. It is looked at after storms: what floats down catches on it.',
    },
    {
      id: 'open',
      label: 'Open',
      reasons: 'Whatever enters above comes out below. Something will nest in it in a dry summer.',
    },
  ],
  of: (job) => outs(job).filter(({ form, end }) => form === 'daylight' && end !== 'grate'),
  sideOf: ({ end }) => (end === 'guard' ? 'guard' : 'open'),
  set: (out, side) => ({ ...out, end: side === 'guard' ? 'guard' : 'open' }),
});

export const END_SCHOOLS: readonly School[] = [
  wayQuestion({
    id: 'floor',
    group: 'ends',
    question: 'Floor of a catch basin?',
    way: 'basinFloor',
    sides: [
      {
        id: BY_PLACE,
        label: 'By its place',
        reasons: 'Holes where the soil drains and no building is near, sealed elsewhere.',
      },
      {
        id: 'weep',
        label: 'Weep holes on stone',
        reasons:
          'It stands dry between rains: no mosquitoes, no ice. In clay it does little, and beside a house it wets the footing.',
      },
      {
        id: 'sealed',
        label: 'Sealed',
        reasons: 'Nothing gets out beside a foundation, and nothing gets in from wet ground.',
      },
    ],
    asks: (job) => ofKind(job, 'basin').some(({ here }) => !here),
  }),
  wayQuestion({
    id: 'feet',
    group: 'ends',
    question: 'Foot of a downspout: closed or vented?',
    way: 'ventedFeet',
    values: { closed: false, vented: true },
    sides: [
      { id: 'closed', label: 'Closed', reasons: 'Tidy, and no leaf gets in above ground.' },
      {
        id: 'vented',
        label: 'Vented',
        reasons:
          'One looks in and rods down it, and a blocked line spills there, where it is seen, and not up in the gutter.',
      },
    ],
    asks: hasSpouts,
  }),
  wayQuestion({
    id: 'leaves',
    group: 'ends',
    question: 'Leaf filters on downspouts?',
    way: 'leafFilters',
    values: { none: false, filters: true },
    sides: [
      {
        id: 'none',
        label: 'None',
        reasons: 'Nothing to clean at the wall; what comes down is caught in basins and rodded out.',
      },
      {
        id: 'filters',
        label: 'Filters',
        reasons: 'Leaves stay out of the pipe. Each is emptied through the autumn, or it spills.',
      },
    ],
    asks: hasSpouts,
  }),
  emptied,
  guarded,
];
