/** Fields of the works that are not pipe. */
import {
  CULVERT_INLET_FACTS,
  DRAIN_USUAL,
  CULVERT_INLETS,
  FABRIC_FACTS,
  FABRICS,
  isTaker,
  LINING_FACTS,
  LININGS,
  MATERIAL_FACTS,
  MATERIALS,
  nameOf,
  ofKind,
  PERFORATION_FACTS,
  PERFORATIONS,
  SLEEVE_USES,
  SOIL_FACTS,
  SOILS,
  STONE_FACTS,
  STONES,
  SWALE_SECTION_LABELS,
  SWALE_SECTIONS,
  type Barrel,
  type Berm,
  type Culvert,
  type Drain,
  type DrainField,
  type Element,
  type Job,
  type PavedBed,
  type Sleeve,
  type StoneDrain,
  type Swale,
  type UnitSystem,
} from '@katabasis/core';
import { areaEntry, boreEntry, lengthEntry, levelEntry, pitchUpTo, shareBetween, smallEntry } from '../input/entry';
import { countEntry, sinksEntry, soakEntry, timesEntry, volumeEntry } from '../input/workEntries';
import { NONE, type FieldOf } from '../parts/forms/FieldList';

const depth = (what: string) => (units: UnitSystem) => smallEntry(units, 0.02, 5, what);
const fall = pitchUpTo(1, 'A fall is', true);
const pitches = () => fall;

const soil = {
  type: 'choice',
  field: 'soil',
  label: 'Soil',
  options: SOILS.map((value) => ({ value, label: SOIL_FACTS[value].label })),
} as const;
const tested = {
  type: 'quantity',
  field: 'conductivity',
  label: 'Soil takes, tested',
  usual: 'by its soil',
  entry: soakEntry,
} as const;
const stone = {
  type: 'choice',
  field: 'stone',
  label: 'Stone',
  usual: 'angular',
  options: STONES.map((value) => ({ value, ...STONE_FACTS[value] })),
} as const;
const fabric = {
  type: 'choice',
  field: 'fabric',
  label: 'Fabric',
  usual: 'wrapped',
  options: FABRICS.map((value) => ({ value, ...FABRIC_FACTS[value] })),
} as const;
const long = {
  type: 'quantity',
  field: 'length',
  label: 'Length',
  usual: 'by the plan',
  entry: lengthEntry,
} as const;

/** Whatever can take water from there without its coming round. */
const takers = (job: Job, element: Element): { id: string; name: string }[] =>
  job.elements.all
    .filter(
      (each) => isTaker(each) && each.id !== element.id && each.kind !== 'discharge' && !leadsTo(job, each, element.id),
    )
    .map(({ id }) => ({ id, name: nameOf(job, id) }));

/** Whether water that comes to a thing goes on to another, over the ground or down its pipe. */
function leadsTo(job: Job, from: Element, id: string): boolean {
  const seen = new Set<string>();
  const left: string[] = [from.id];
  for (let at = left.pop(); at !== undefined; at = left.pop()) {
    if (at === id) return true;
    if (seen.has(at)) continue;
    seen.add(at);
    const element = job.elements.get(at);
    if (element && 'to' in element && typeof element.to === 'string') left.push(element.to);
    if (element?.kind === 'discharge' && element.into !== undefined) left.push(element.into);
    for (const run of ofKind(job, 'run')) if (run.from === at) left.push(run.to);
  }
  return false;
}

const drainShared = [
  { type: 'quantity', field: 'depth', label: 'Deep where it leaves', entry: depth('A drain is') },
  { type: 'quantity', field: 'spacing', label: 'Between pipes', usual: 'worked out', entry: lengthEntry },
  {
    type: 'quantity',
    field: 'firm',
    label: 'Firm as deep as',
    usual: DRAIN_USUAL.firm,
    entry: depth('Firm ground is'),
  },
  { type: 'quantity', field: 'recharge', label: 'Sinks in a day', usual: DRAIN_USUAL.recharge, entry: sinksEntry },
  {
    type: 'quantity',
    field: 'barrier',
    label: 'Tight ground below it',
    usual: DRAIN_USUAL.barrier,
    entry: lengthEntry,
  },
  { type: 'quantity', field: 'nominal', label: 'Pipe', entry: boreEntry },
  { type: 'quantity', field: 'pitch', label: 'Its pitch', usual: DRAIN_USUAL.pitch, entry: pitches },
  {
    type: 'quantity',
    field: 'trenchWidth',
    label: 'Trench',
    usual: DRAIN_USUAL.trenchWidth,
    entry: depth('A trench is'),
  },
  tested,
] as const;
const drainChoices = [
  soil,
  stone,
  fabric,
  {
    type: 'choice',
    field: 'perforations',
    label: 'Holes',
    usual: 'rows',
    options: PERFORATIONS.map((value) => ({ value, ...PERFORATION_FACTS[value] })),
  },
] as const;

export const DRAIN: readonly FieldOf<Drain>[] = [
  long,
  ...drainShared,
  { type: 'quantity', field: 'pipes', label: 'Pipes in the trench', usual: 'one', entry: () => countEntry(1, 3) },
  { type: 'quantity', field: 'headLevel', label: 'Ground at its head', usual: 'not levelled', entry: levelEntry },
  ...drainChoices,
];

export const DRAIN_FIELD: readonly FieldOf<DrainField>[] = [
  { type: 'quantity', field: 'area', label: 'Area', usual: 'by the plan', entry: areaEntry },
  ...drainShared,
  ...drainChoices,
];

export const SWALE: readonly FieldOf<Swale>[] = [
  { type: 'quantity', field: 'depth', label: 'Deep', entry: depth('A swale is') },
  {
    type: 'quantity',
    field: 'bottomWidth',
    label: 'Floor',
    usual: 'none',
    entry: (units) => smallEntry(units, 0, 50, 'A floor is'),
  },
  { type: 'quantity', field: 'sideSlope', label: 'Sides, so much across to 1 up', entry: () => timesEntry(0.1, 50) },
  { ...long, label: 'Length' },
  { type: 'quantity', field: 'headLevel', label: 'Floor at its head', usual: 'by the ground', entry: levelEntry },
  { type: 'quantity', field: 'footLevel', label: 'Floor at its foot', usual: 'by the ground', entry: levelEntry },
  { type: 'lead', field: 'to', label: 'Ends in', none: 'Off the job', among: takers },
  {
    type: 'choice',
    field: 'section',
    label: 'Section',
    options: SWALE_SECTIONS.map((value) => ({ value, label: SWALE_SECTION_LABELS[value] })),
  },
  {
    type: 'choice',
    field: 'lining',
    label: 'Lining',
    options: LININGS.map((value) => ({ value, label: LINING_FACTS[value].label, note: LINING_FACTS[value].note })),
  },
  soil,
  {
    type: 'choice',
    field: 'consent',
    label: 'Whose leave its end wants',
    options: [
      { value: NONE, label: 'Nobody’s' },
      { value: 'needed', label: 'A neighbour’s, not given yet' },
      { value: 'given', label: 'A neighbour’s, given' },
    ],
  },
];

export const CULVERT: readonly FieldOf<Culvert>[] = [
  { type: 'quantity', field: 'nominal', label: 'Pipe', entry: (units) => smallEntry(units, 0.1, 5, 'A culvert is') },
  { type: 'quantity', field: 'pipes', label: 'Side by side', usual: 'one', entry: () => countEntry(1, 6) },
  long,
  { type: 'quantity', field: 'invertUp', label: 'Invert at its inlet', entry: levelEntry },
  { type: 'quantity', field: 'invertDown', label: 'Invert at its outlet', entry: levelEntry },
  { type: 'quantity', field: 'roadLevel', label: 'Lowest of the road’s edge', entry: levelEntry },
  { type: 'quantity', field: 'standingLevel', label: 'Water at its outlet', usual: 'falls free', entry: levelEntry },
  { type: 'lead', field: 'to', label: 'Leads on to', none: 'Off the job', among: takers },
  {
    type: 'choice',
    field: 'inlet',
    label: 'Its inlet',
    options: CULVERT_INLETS.map((value) => ({ value, label: CULVERT_INLET_FACTS[value].label })),
  },
  {
    type: 'choice',
    field: 'material',
    label: 'Material',
    options: MATERIALS.map((value) => ({ value, label: MATERIAL_FACTS[value].label })),
  },
  { type: 'flag', field: 'walk', label: 'Over it pass', no: 'Cars', yes: 'People only' },
  { type: 'flag', field: 'stone', label: 'Stone at its outlet', no: 'None', yes: 'Laid' },
  {
    type: 'choice',
    field: 'old',
    label: 'The old one',
    options: [
      { value: NONE, label: 'None here' },
      { value: 'out', label: 'Comes out' },
      { value: 'beside', label: 'Stays beside it' },
    ],
  },
];

export const BERM: readonly FieldOf<Berm>[] = [
  { type: 'quantity', field: 'footLevel', label: 'Ground at its lowest', entry: levelEntry },
  { type: 'quantity', field: 'height', label: 'Crest over that', entry: depth('A berm is') },
  {
    type: 'quantity',
    field: 'topWidth',
    label: 'Crest wide',
    entry: (units) => smallEntry(units, 0, 20, 'A crest is'),
  },
  { type: 'quantity', field: 'sideSlope', label: 'Sides, so much across to 1 up', entry: () => timesEntry(0.1, 20) },
  long,
  { type: 'quantity', field: 'waterLevel', label: 'Highest water seen', usual: 'by its swale', entry: levelEntry },
  { type: 'quantity', field: 'hollow', label: 'Hollow behind it', usual: 'not measured', entry: areaEntry },
  {
    type: 'lead',
    field: 'holds',
    label: 'Holds off the water of',
    none: 'Nothing drawn',
    among: (job) => ofKind(job, 'swale'),
  },
  { type: 'lead', field: 'to', label: 'Behind it drains to', none: 'Nothing yet', among: takers },
];

export const STONE_DRAIN: readonly FieldOf<StoneDrain>[] = [
  { type: 'quantity', field: 'width', label: 'Wide', entry: depth('Stone is') },
  { type: 'quantity', field: 'depth', label: 'Deep', entry: depth('Stone is') },
  long,
  { type: 'quantity', field: 'slabLevel', label: 'Edge of the slab', usual: 'not levelled', entry: levelEntry },
  { type: 'quantity', field: 'sillLevel', label: 'Sill that it guards', usual: 'none', entry: levelEntry },
  {
    type: 'quantity',
    field: 'clogging',
    label: 'Leaves take',
    usual: '30 %',
    entry: () => shareBetween(0, 0.95, 'A share is'),
  },
  { ...stone, usual: 'round' },
  fabric,
];

export const PAVED_BED: readonly FieldOf<PavedBed>[] = [
  { type: 'quantity', field: 'area', label: 'Area', usual: 'by the plan', entry: areaEntry },
  { type: 'quantity', field: 'depth', label: 'Stone at its low edge', entry: depth('Stone is') },
  { type: 'quantity', field: 'fall', label: 'Floor falls away', usual: 'level', entry: pitches },
  { type: 'quantity', field: 'length', label: 'Long down its fall', usual: 'as a square', entry: lengthEntry },
  {
    type: 'quantity',
    field: 'voids',
    label: 'Stone is hollow',
    usual: '40 %',
    entry: () => shareBetween(0.05, 0.95, 'A share is'),
  },
  {
    type: 'quantity',
    field: 'orifice',
    label: 'Opening at its outlet',
    usual: 'as its pipe',
    entry: (units) => smallEntry(units, 0.005, 1, 'An opening is'),
  },
  tested,
  { type: 'flag', field: 'liner', label: 'Under it', no: 'Soil', yes: 'A liner' },
  soil,
];

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const monthEntry = () => ({
  show: (month: number) => MONTHS[month - 1] ?? '',
  inputMode: 'text' as const,
  parse: (typed: string) => {
    const month = MONTHS.findIndex((name) => typed.trim().toLowerCase().startsWith(name.toLowerCase())) + 1;
    return month > 0
      ? ({ ok: true, value: month } as const)
      : ({ ok: false, sentence: 'Write a month, such as Nov.' } as const);
  },
});

export const BARREL: readonly FieldOf<Barrel>[] = [
  { type: 'quantity', field: 'volume', label: 'Holds', entry: volumeEntry },
  { type: 'quantity', field: 'opened', label: 'Emptied for winter in', usual: 'not said', entry: monthEntry },
  { type: 'quantity', field: 'shut', label: 'Shut again in', usual: 'not said', entry: monthEntry },
];

const USES = { pipe: 'A drain pipe', irrigation: 'Sprinklers, later', cable: 'A cable' } as const;

export const SLEEVE: readonly FieldOf<Sleeve>[] = [
  { type: 'quantity', field: 'nominal', label: 'Sleeve', entry: boreEntry },
  long,
  {
    type: 'choice',
    field: 'use',
    label: 'For',
    options: SLEEVE_USES.map((value) => ({ value, label: USES[value] })),
  },
  {
    type: 'lead',
    field: 'holds',
    label: 'Pipe that lies in it',
    none: 'None',
    among: (job) => ofKind(job, 'run').map(({ id }) => ({ id, name: nameOf(job, id) })),
  },
];
