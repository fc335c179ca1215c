/** Schools of what takes ground water in: the stone, the fabric, the holes. */
import {
  FABRIC_FACTS,
  PERFORATION_FACTS,
  STONE_FACTS,
  type Fabric,
  type Perforations,
  type Stone,
} from '../catalogue/stone';
import { newRuns } from '../job/edits/manyRuns';
import { ofKind, type Job } from '../job/job';
import type { Drain } from '../job/kinds/works/drain';
import type { DrainField } from '../job/kinds/works/drainField';
import { fieldQuestion, wayQuestion, type School } from './school';

type Collecting = Drain | DrainField;

/** Drains and fields that are built anew. */
const drains = (job: Job): Collecting[] =>
  [...ofKind(job, 'drain'), ...ofKind(job, 'drainField')].filter(({ here }) => !here);

const stone = fieldQuestion<Collecting>({
  id: 'stone',
  group: 'drain',
  question: 'Which stone round a drain?',
  sides: [
    {
      id: 'angular',
      label: STONE_FACTS.angular.label,
      reasons: 'Its edges lock: it carries wheels and does not shift.',
    },
    { id: 'round', label: STONE_FACTS.round.label, reasons: 'Easy to shovel, and water runs through it fastest.' },
  ],
  of: drains,
  sideOf: (drain) => drain.stone ?? 'angular',
  set: (drain, side) => ({ ...drain, stone: side as Stone }),
});

const fabric = fieldQuestion<Collecting>({
  id: 'fabric',
  group: 'drain',
  question: 'Fabric?',
  sides: [
    {
      id: 'wrapped',
      label: 'Round the trench',
      reasons:
        'The stone stays clean for its whole section, and the pipe can be looked at and rodded. Non-woven, lapped at the top.',
    },
    {
      id: 'sock',
      label: 'A sock on the pipe',
      reasons: 'Quick, and right in sand. In silt and clay the sock itself clogs.',
    },
    { id: 'none', label: 'None', reasons: `Nothing can clog. But ${FABRIC_FACTS.none.note}.` },
  ],
  of: drains,
  sideOf: (drain) => drain.fabric ?? 'wrapped',
  set: (drain, side) => ({ ...drain, fabric: side as Fabric }),
});

const holes = fieldQuestion<Collecting>({
  id: 'holes',
  group: 'drain',
  question: 'Holes or slots?',
  sides: [
    {
      id: 'rows',
      label: PERFORATION_FACTS.rows.label,
      reasons: 'Laid downward, water rises into it and runs off on its smooth floor.',
    },
    {
      id: 'slots',
      label: PERFORATION_FACTS.slots.label,
      reasons: 'It lies any way up, and takes water in from all sides at once.',
    },
  ],
  of: drains,
  sideOf: (drain) => drain.perforations ?? null,
  set: (drain, side) => ({ ...drain, perforations: side as Perforations }),
});

const joint = wayQuestion({
  id: 'stoneJoint',
  group: 'drain',
  question: 'Where a pipe leaves the stone?',
  way: 'buttedInStone',
  values: { fitting: false, butted: true },
  sides: [
    {
      id: 'fitting',
      label: 'A fitting',
      reasons: 'The pipes stay in line whatever the stone does, and no fines get in.',
    },
    {
      id: 'butted',
      label: 'End to end in the stone, wrapped',
      reasons:
        'Nothing to buy: the stone holds both ends, fabric keeps it out of the gap, and what slips by runs into the stone. Not where roots come.',
    },
  ],
  asks: (job) => {
    const left = new Set(newRuns(job).map(({ from }) => from));
    return [...drains(job), ...ofKind(job, 'stoneDrain')].some(({ id, here }) => !here && left.has(id));
  },
});

export const DRAIN_SCHOOLS: readonly School[] = [stone, fabric, holes, joint];
