/** A first job from the fewest answers: inlets in a row along one line to one way out. */
import { CREATIONS, type Discharge, type Element, type RainElement, type Run } from '../kinds';
import { wayOutName } from './wayOutName';

/** What water comes in by. */
export const QUICK_INLETS = ['downspout', 'basin', 'channel'] as const;
export type QuickInletKind = (typeof QUICK_INLETS)[number];

export interface QuickInlet {
  kind: QuickInletKind;
  /** Roof that comes down a downspout, or ground that runs to a basin or a channel, seen from above, m². */
  area: number;
  /** Ground at its foot, or its grate, m above the job's zero. */
  groundLevel: number;
  /** Along the trench to the next inlet, or from the last to the way out, m. */
  toNext: number;
}

export interface QuickJob {
  name: string;
  units: 'us' | 'metric';
  rain: RainElement | null;
  inlets: QuickInlet[];
  wayOut: Pick<Discharge, 'form' | 'receiving' | 'groundLevel'> &
    Partial<Pick<Discharge, 'controlLevel' | 'bank' | 'mainIs'>>;
  /** What lies over its trench; turf when absent. */
  under?: Run['under'];
}

/** 4 in, m: where a quick line starts, to be sized by the plan. */
const FIRST_SIZE = 0.1016;

interface Placed {
  id: string;
  /** Number among those of its kind. */
  count: number;
  inlet: QuickInlet;
}

/** The first way to put in one of a kind, as Walk offers it. */
function built(kind: QuickInletKind, id: string, name: string, groundLevel: number): Element {
  return CREATIONS.find((creation) => creation.kind === kind)!.build({ id, name, groundLevel });
}

/** An inlet and what sheds to it. */
function inletElements({ id, count, inlet: { kind, area, groundLevel } }: Placed): Element[] {
  const feeds = [{ to: id, share: 1 }];
  const inlet = (name: string): Element => built(kind, id, `${name} ${count}`, groundLevel);
  switch (kind) {
    case 'downspout':
      return [
        { id: `face-${id}`, kind: 'roofFace', name: `Roof ${count}`, storey: 1, shape: { type: 'area', area }, feeds },
        inlet('Downspout'),
      ];
    case 'basin':
      return [
        { id: `ground-${id}`, kind: 'surface', name: `Ground at basin ${count}`, cover: 'lawnLoam', area, feeds },
        inlet('Basin'),
      ];
    case 'channel':
      return [
        { id: `paving-${id}`, kind: 'surface', name: `Paving at channel ${count}`, cover: 'paving', area, feeds },
        inlet('Channel drain'),
      ];
  }
}

const STEMS: Record<QuickInletKind, string> = { downspout: 'ds', basin: 'cb', channel: 'ch' };

/** The elements of a quick job. Sizes start at 4 in; `planJob` tells what each run needs. */
export function quickElements({ name, units, rain, inlets, wayOut, under }: QuickJob): Element[] {
  const elements: Element[] = [{ id: 'job', kind: 'job', name, units, pitchStyle: 'ground' }];
  if (rain) elements.push(rain);
  const counts: Record<QuickInletKind, number> = { downspout: 0, basin: 0, channel: 0 };
  const placed = inlets.map((inlet): Placed => {
    const count = ++counts[inlet.kind];
    return { id: `${STEMS[inlet.kind]}${count}`, count, inlet };
  });
  placed.forEach((each, index) => {
    elements.push(...inletElements(each), {
      id: `run${index + 1}`,
      kind: 'run',
      from: each.id,
      to: placed[index + 1]?.id ?? 'out1',
      length: each.inlet.toNext,
      material: 'smooth',
      nominal: FIRST_SIZE,
      grade: { type: 'auto' },
      ...(under === undefined || under === 'turf' ? {} : { under }),
    });
  });
  elements.push({ id: 'out1', kind: 'discharge', name: wayOutName(wayOut), ...wayOut });
  return elements;
}
