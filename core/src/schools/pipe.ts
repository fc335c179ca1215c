/** Schools of the pipe: its make, pitch, cover, first size, joints, and how it comes under a slab. */
import { MATERIAL_FACTS, SOLD_MATERIALS, type Material } from '../catalogue/pipes';
import { put } from '../job/change';
import { commonOf, manyRuns, newRuns } from '../job/edits/manyRuns';
import { resized } from '../job/edits/pipes';
import { headOf, ofKind, type Job } from '../job/job';
import { PAVED, type Run } from '../job/kinds/run';
import { DEFAULTS } from '../job/settings';
import { METRES_PER_INCH } from '../units/constants';
import { changeLabel, fieldQuestion, settingsQuestion, wayQuestion, type School } from './school';

const inches = (count: number): number => count * METRES_PER_INCH;
const near = (one: number, other: number): boolean => Math.abs(one - other) < 1e-6;
const hasPipe = (job: Job): boolean => newRuns(job).length > 0;

const MAKES: Partial<Record<Material, string>> = {
  smooth:
    'Stiff: it holds its pitch over soft spots and is rodded without harm. Its joints may be glued tight, which roots and foundations ask for. Dearer, and brittle where the ground moves or in hard frost.',
  doubleWall:
    'Smooth inside and light, with gaskets in its bells: long runs are laid fast. It gives a little where the ground moves.',
  singleWall:
    'Cheap, comes on a roll and bends round things without a fitting. Its ribs slow the water and hold grit, and a careless shovel or wheel crushes it.',
  flexible:
    'Nothing is quicker for a short way round a corner. It sags, holds grit, and is never rodded: for clean roof water only.',
};

/** The make of all new pipe, and of what is drawn later. */
const MAKE: School = {
  id: 'make',
  group: 'pipe',
  question: 'Which pipe?',
  sides: SOLD_MATERIALS.map((material) => ({
    id: material,
    label: MATERIAL_FACTS[material].label,
    reasons: MAKES[material] ?? MATERIAL_FACTS[material].note,
  })),
  asks: hasPipe,
  chosen: (job) => SOLD_MATERIALS.find((each) => each === commonOf(newRuns(job), 'material')) ?? null,
  choose: (job, side) => {
    const head = headOf(job);
    const material = side as Material;
    const pipes = manyRuns(changeLabel(job, MAKE, side), newRuns(job), { material });
    return { ...pipes, puts: [...pipes.puts, { ...head, ways: { ...head.ways, make: material } }] };
  },
};

/** A quarter inch a foot. */
const QUARTER = 1 / 48;

const pitch = settingsQuestion({
  id: 'pitch',
  group: 'pipe',
  question: 'How steep, at least?',
  sides: [
    {
      id: 'one',
      label: '1 %, less in large pipe',
      reasons:
        'It carries what the pipe is sized for, and a long line reaches its way out with less digging. It must be laid true.',
    },
    {
      id: 'quarter',
      label: '¼ in a foot',
      metric: '2 %, 1 in 48',
      reasons:
        'A level shows it at a glance, a small belly does no harm, and grit moves in every rain. It spends fall twice as fast.',
    },
  ],
  asks: hasPipe,
  values: {
    one: { leastPitch: DEFAULTS.leastPitch, leastPitchLarge: DEFAULTS.leastPitchLarge },
    quarter: { leastPitch: QUARTER, leastPitchLarge: QUARTER },
  },
});

const LASER: School = {
  id: 'laser',
  group: 'pipe',
  question: 'Along the ground, or one pitch?',
  sides: [
    {
      id: 'ground',
      label: 'Along the ground',
      reasons: 'Each stretch as shallow as cover and pitch allow: the least digging.',
    },
    {
      id: 'single',
      label: 'One pitch',
      reasons: 'The laser is set once for a whole line, and nobody reads a sheet in the trench. It digs more.',
    },
  ],
  asks: hasPipe,
  chosen: (job) => headOf(job).pitchStyle,
  choose: (job, side) =>
    put(changeLabel(job, LASER, side), { ...headOf(job), pitchStyle: side as 'ground' | 'single' }),
};

const cover = settingsQuestion({
  id: 'cover',
  group: 'pipe',
  question: 'How deep under a lawn?',
  sides: [
    {
      id: 'full',
      label: '12 in of cover',
      metric: '300 mm of cover',
      reasons: 'Aerators, edgers and a spade for a shrub do not reach it, and a mower’s wheels do not press it.',
    },
    {
      id: 'shallow',
      label: '8 in of cover',
      metric: '200 mm of cover',
      reasons: 'A small trencher digs it, roots are spared, and fall is kept for the far end.',
    },
  ],
  asks: (job) => newRuns(job).some(({ under }) => under === undefined || under === 'turf'),
  values: { full: { cover: DEFAULTS.cover }, shallow: { cover: inches(8) } },
});

/** New runs that carry one downspout and nothing else. */
function firstRuns(job: Job): Run[] {
  const spouts = new Set(ofKind(job, 'downspout').map(({ id }) => id));
  const entered = new Set(ofKind(job, 'run').map(({ to }) => to));
  return newRuns(job).filter(({ from }) => spouts.has(from) && !entered.has(from));
}

const first = fieldQuestion<Run>({
  id: 'first',
  group: 'pipe',
  question: 'The first line under one downspout?',
  sides: [
    {
      id: 'three',
      label: '3 in',
      metric: '76 mm',
      reasons: 'One roof’s water runs fast in it, and takes the shingle grit along. Fittings are small and cheap.',
    },
    {
      id: 'four',
      label: '4 in',
      metric: '102 mm',
      reasons: 'A ball of leaves passes, a rod fits, and another downspout can join it some day.',
    },
  ],
  of: firstRuns,
  sideOf: ({ nominal }) => (near(nominal, inches(3)) ? 'three' : near(nominal, inches(4)) ? 'four' : null),
  set: (run, side) => resized(run, inches(side === 'three' ? 3 : 4)),
});

const slab = fieldQuestion<Run>({
  id: 'slab',
  group: 'pipe',
  question: 'Across a walk or drive: under it or through it?',
  sides: [
    {
      id: 'through',
      label: 'Saw it open',
      reasons: 'The pipe is laid in sight, to its pitch, and bedded. The patch shows.',
    },
    {
      id: 'under',
      label: 'Drive it through beneath',
      reasons:
        'The slab stays whole. The pipe lands where it lands: its pitch is checked at the far end, and rock stops it.',
    },
  ],
  of: (job) => newRuns(job).filter(({ under }) => under !== undefined && PAVED.has(under)),
  sideOf: ({ bored }) => (bored ? 'under' : 'through'),
  set: ({ bored: _was, ...run }, side) => (side === 'under' ? { ...run, bored: true } : run),
});

const laidIn = (job: Job, ...materials: Material[]): boolean =>
  newRuns(job).some(({ material }) => materials.includes(material));

export const PIPE_SCHOOLS: readonly School[] = [
  MAKE,
  pitch,
  LASER,
  cover,
  first,
  wayQuestion({
    id: 'glue',
    group: 'pipe',
    question: 'Smooth pipe: glued, or pushed together?',
    way: 'gluedJoints',
    values: { glued: true, pushed: false },
    sides: [
      {
        id: 'glued',
        label: 'Glued',
        reasons: 'Tight for good: no root finds a way in, no bed or foundation is wetted, nothing pulls apart.',
      },
      {
        id: 'pushed',
        label: 'Pushed together dry',
        reasons:
          'A joint can be pulled and cleaned, and what leaks runs downhill along the pipe. Not among roots and not beside a building.',
      },
    ],
    asks: (job) => laidIn(job, 'smooth'),
  }),
  wayQuestion({
    id: 'jointTape',
    group: 'pipe',
    question: 'Corrugated pipe: joints taped or not?',
    way: 'tapedJoints',
    values: { taped: true, bare: false },
    sides: [
      { id: 'taped', label: 'Taped', reasons: 'Keeps fines out and the joint together while it is filled over.' },
      {
        id: 'bare',
        label: 'Not taped',
        reasons: 'The coupling’s teeth hold it, and what seeps out runs down the trench.',
      },
    ],
    asks: (job) => laidIn(job, 'singleWall', 'flexible'),
  }),
  wayQuestion({
    id: 'plastic',
    group: 'pipe',
    question: 'Corrugated pipe: of virgin or recycled plastic?',
    way: 'recycled',
    values: { virgin: false, recycled: true },
    sides: [
      {
        id: 'virgin',
        label: 'Virgin plastic',
        reasons: 'Tough in the cold, and every stick is like the last. It is what a place with hard winters asks for.',
      },
      {
        id: 'recycled',
        label: 'Recycled plastic',
        reasons:
          'Cheaper, and as good under a lawn where winters are mild. Where it freezes hard it is brittle: a dropped stick or a stone cracks it, and shallow pipe breaks under a wheel.',
      },
    ],
    asks: (job) => laidIn(job, 'singleWall', 'doubleWall'),
  }),
  slab,
  wayQuestion({
    id: 'roots',
    group: 'pipe',
    question: 'Among roots?',
    way: 'copperWrap',
    values: { joints: false, copper: true },
    sides: [
      {
        id: 'joints',
        label: 'Tight joints, and keep away',
        reasons: 'Roots follow water that leaks. Where nothing leaks and the line goes round, none come.',
      },
      {
        id: 'copper',
        label: 'Copper wrap besides',
        reasons:
          'Turns roots away where the line cannot go round. It harms water life, and some places forbid it: ask first.',
      },
    ],
    asks: (job) => ofKind(job, 'tree').length > 0 && hasPipe(job),
  }),
];
