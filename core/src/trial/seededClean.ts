/**
 * Jobs that a crew would call clean: one plain thing after another as the trade lays it, with fall, cover and size enough by its own rules
 * of thumb. None of them may be blamed for anything: a Stop or a Fix on one is false.
 */
import type { Element } from '../job/kinds';
import { jobFrom, type Job } from '../job/job';
import { INCH, run, sheds, wayOut } from './cleanParts';
import { handOf, type Hand } from '../numeric/dice';

/** 6 in/h, m/s. */
const RAIN = (6 * 0.0254) / 3600;
/** One roof down one downspout, in 3 in, or two in 4 in. */
function downspouts(hand: Hand): Element[] {
  const count = hand.pick([1, 2]);
  const nominal = count === 1 ? 3 * INCH : 4 * INCH;
  const area = hand.between(25, 55);
  const apart = hand.between(5, 12);
  const last = hand.between(9, 18);
  const elements = Array.from({ length: count }, (_, k): Element[] => [
    {
      id: `roof${k}`,
      kind: 'roofFace',
      name: `Roof ${k}`,
      storey: 1,
      shape: { type: 'area', area },
      feeds: [{ to: `spout${k}`, share: 1 }],
    },
    {
      id: `spout${k}`,
      kind: 'downspout',
      name: `Downspout ${k}`,
      groundLevel: 0,
      size: 'rect3x4',
      storey: 1,
    },
  ]).flat();
  const runs = Array.from({ length: count }, (_, k) =>
    run(
      `run${k}`,
      `spout${k}`,
      k + 1 < count ? `spout${k + 1}` : 'out',
      k + 1 < count ? apart : last,
      k === 0 ? 3 * INCH : nominal,
    ),
  );
  // 1.6 % and more of fall, besides what its cover and pipe take.
  return [...elements, ...runs, wayOut(hand, 0.5 + 0.016 * (apart + last) + hand.between(0, 0.5))];
}

/** A lawn basin of 9 or 12 in, with its 4 in line. */
function basin(hand: Hand): Element[] {
  const length = hand.between(8, 28);
  return [
    sheds('lawn', hand.pick(['lawnLoam', 'lawnClay'] as const), hand.between(80, 200), 'basin'),
    {
      id: 'basin',
      kind: 'basin',
      name: 'Basin',
      groundLevel: 0,
      grate: hand.pick(['flat9', 'flat12'] as const),
      sumpDepth: 0.15,
    },
    run('run', 'basin', 'out', length, 4 * INCH),
    wayOut(hand, 0.55 + 0.022 * length + hand.between(0, 0.4)),
  ];
}

/** A channel across paving, 4 in wide, its floor falling to a 4 in line. */
function channel(hand: Hand): Element[] {
  const length = hand.between(8, 25);
  return [
    sheds('drive', 'paving', hand.between(20, 60), 'channel'),
    {
      id: 'channel',
      kind: 'channel',
      name: 'Channel',
      groundLevel: 0,
      width: 4 * INCH,
      depth: 6 * INCH,
      length: hand.between(2.5, 5),
      slope: 0.005,
    },
    run('run', 'channel', 'out', length, 4 * INCH),
    wayOut(hand, 0.6 + 0.02 * length + hand.between(0, 0.4)),
  ];
}

/** A roof’s trunk into the head of a courtyard channel, 8 in wide, and on through it. */
function throughChannel(hand: Hand): Element[] {
  const [length, last] = [hand.between(4, 8), hand.between(8, 20)];
  const head = 'head';
  return [
    {
      id: 'roof',
      kind: 'roofFace',
      name: 'Roof',
      storey: 1,
      shape: { type: 'area', area: hand.between(30, 60) },
      feeds: [{ to: 'spout', share: 1 }],
    },
    {
      id: 'spout',
      kind: 'downspout',
      name: 'Downspout',
      groundLevel: hand.between(0.18, 0.28),
      size: 'rect3x4',
      storey: 1,
    },
    { ...run('trunk', 'spout', head, length, 3 * INCH), grade: { type: 'pitch', pitch: 0.02 } } as Element,
    {
      id: head,
      kind: 'discharge',
      name: 'Head of the channel',
      form: 'channel',
      receiving: 'street',
      groundLevel: 0,
      into: 'channel',
    },
    sheds('court', 'paving', hand.between(15, 40), 'channel'),
    {
      id: 'channel',
      kind: 'channel',
      name: 'Channel',
      groundLevel: 0,
      width: 8 * INCH,
      depth: 16 * INCH,
      length: hand.between(3, 7),
      slope: 0.003,
    },
    run('run', 'channel', 'out', last, 6 * INCH),
    wayOut(hand, 0.75 + 0.02 * last + hand.between(0, 0.4)),
  ];
}

/** A drain in wrapped stone under a soft strip, into solid pipe. */
function drain(hand: Hand): Element[] {
  const length = hand.between(8, 20);
  return [
    {
      id: 'drain',
      kind: 'drain',
      name: 'Drain',
      groundLevel: 0,
      length: hand.between(6, 20),
      depth: hand.between(0.55, 0.75),
      nominal: 4 * INCH,
      pitch: 0.01,
      soil: hand.pick(['loam', 'sandyLoam', 'siltLoam'] as const),
      fabric: 'wrapped',
      stone: 'angular',
    },
    run('run', 'drain', 'out', length, 4 * INCH),
    wayOut(hand, 0.95 + 0.012 * length + hand.between(0, 0.3)),
  ];
}

/** A grassed swale that runs off the job. */
function swale(hand: Hand): Element[] {
  const length = hand.between(12, 40);
  return [
    sheds('back', 'lawnLoam', hand.between(150, 500), 'swale'),
    {
      id: 'swale',
      kind: 'swale',
      name: 'Swale',
      length,
      headLevel: -0.3,
      footLevel: -0.3 - length * hand.between(0.02, 0.03),
      depth: 0.3,
      section: 'trapezoid',
      bottomWidth: hand.between(0.4, 0.8),
      sideSlope: hand.between(3, 4),
      lining: 'grass',
    },
  ];
}

/** A trunk: a lawn basin, a wye that a downspout comes into, 6 in to daylight. */
function trunk(hand: Hand): Element[] {
  const [above, below, side] = [hand.between(6, 12), hand.between(8, 15), hand.between(3, 8)];
  return [
    ...basin(hand).slice(0, 2),
    {
      id: 'roof',
      kind: 'roofFace',
      name: 'Roof',
      storey: 1,
      shape: { type: 'area', area: hand.between(50, 110) },
      feeds: [{ to: 'spout', share: 1 }],
    },
    { id: 'spout', kind: 'downspout', name: 'Downspout', groundLevel: 0.1, size: 'rect3x4', storey: 1 },
    { id: 'wye', kind: 'junction', name: 'Wye', form: 'wye', groundLevel: 0 },
    // 2.5 %: what keeps 4 in under a lawn clean.
    { ...run('upper', 'basin', 'wye', above, 4 * INCH), grade: { type: 'pitch', pitch: 0.02 } } as Element,
    run('side', 'spout', 'wye', side, 4 * INCH),
    run('lower', 'wye', 'out', below, 6 * INCH),
    wayOut(hand, 0.75 + 0.021 * (above + below) + hand.between(0, 0.1)),
  ];
}

/** One roof to a pop-up on a leaching tee, out on the lawn. */
function popup(hand: Hand): Element[] {
  const length = hand.between(6, 14);
  const [roof, spout] = downspouts(hand);
  return [
    roof!,
    spout!,
    run('run0', 'spout0', 'out', length, 3 * INCH),
    {
      id: 'out',
      kind: 'discharge',
      name: 'Pop-up',
      form: 'popup',
      receiving: 'lawn',
      groundLevel: -0.35 - 0.02 * length - hand.between(0, 0.3),
      drain: { type: 'leach', soil: 'sandyLoam', area: 2 },
      buildingDistance: hand.between(5, 20),
    },
  ];
}

const CLEAN = [downspouts, basin, channel, throughChannel, drain, swale, trunk, popup] as const;

export function seededClean(seed: number): Job {
  const hand = handOf(seed * 15_485_863 + 11);
  const make = CLEAN[seed % CLEAN.length]!;
  return jobFrom(`clean${seed}`, [
    {
      id: 'job',
      kind: 'job',
      name: `Clean ${seed}`,
      units: hand.pick(['us', 'metric'] as const),
      pitchStyle: 'ground',
    },
    { id: 'rain', kind: 'rain', intensity: RAIN, source: { type: 'typed' } },
    ...make(hand),
  ]);
}
