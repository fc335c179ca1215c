/** Fields that several works have alike. */
import {
  DRAIN_USUAL,
  FABRIC_FACTS,
  FABRICS,
  isTaker,
  nameOf,
  ofKind,
  PERFORATION_FACTS,
  PERFORATIONS,
  SOIL_FACTS,
  SOILS,
  STONE_FACTS,
  STONES,
  type Element,
  type Job,
  type UnitSystem,
} from '@katabasis/core';
import { boreEntry, lengthEntry, pitchUpTo, smallEntry } from '../../input/entry';
import { sinksEntry, soakEntry } from '../../input/workEntries';

export const depth = (what: string) => (units: UnitSystem) => smallEntry(units, 0.02, 5, what);
export const fall = pitchUpTo(1, 'A fall is', true);
export const pitches = () => fall;
export const soil = {
  type: 'choice',
  field: 'soil',
  label: 'Soil',
  options: SOILS.map((value) => ({ value, label: SOIL_FACTS[value].label })),
} as const;
export const tested = {
  type: 'quantity',
  field: 'conductivity',
  label: 'Soil takes, tested',
  usual: 'by its soil',
  entry: soakEntry,
} as const;
export const stone = {
  type: 'choice',
  field: 'stone',
  label: 'Stone',
  usual: 'angular',
  options: STONES.map((value) => ({ value, ...STONE_FACTS[value] })),
} as const;
export const fabric = {
  type: 'choice',
  field: 'fabric',
  label: 'Fabric',
  usual: 'wrapped',
  options: FABRICS.map((value) => ({ value, ...FABRIC_FACTS[value] })),
} as const;
export const long = {
  type: 'quantity',
  field: 'length',
  label: 'Length',
  usual: 'by the plan',
  entry: lengthEntry,
} as const;
/** Whatever can take water from there without its coming round. */
export const takers = (job: Job, element: Element): { id: string; name: string }[] =>
  job.elements.all
    .filter(
      (each) => isTaker(each) && each.id !== element.id && each.kind !== 'discharge' && !leadsTo(job, each, element.id),
    )
    .map(({ id }) => ({ id, name: nameOf(job, id) }));
/** Whether water that comes to a thing goes on to another, over the ground or down its pipe. */
export function leadsTo(job: Job, from: Element, id: string): boolean {
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
export const drainShared = [
  { type: 'quantity', field: 'depth', label: 'Depth where its pipe leaves', entry: depth('A drain is') },
  { type: 'quantity', field: 'spacing', label: 'Between pipes', usual: 'worked out', entry: lengthEntry },
  {
    type: 'quantity',
    field: 'firm',
    label: 'Firm ground down to',
    usual: DRAIN_USUAL.firm,
    entry: depth('Firm ground is'),
  },
  {
    type: 'quantity',
    field: 'recharge',
    label: 'Rain that sinks in, a day',
    usual: DRAIN_USUAL.recharge,
    entry: sinksEntry,
  },
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
export const perforations = {
  type: 'choice',
  field: 'perforations',
  label: 'Holes',
  usual: 'rows',
  options: PERFORATIONS.map((value) => ({ value, ...PERFORATION_FACTS[value] })),
} as const;
export const drainChoices = [soil, stone, fabric, perforations] as const;
