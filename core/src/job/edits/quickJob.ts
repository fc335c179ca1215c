/** A first job from the fewest answers: downspouts in a row along one line to one way out. */
import { METRES_PER_FOOT } from '../../units/constants';
import type { Discharge, Element, RainElement } from '../kinds';

export interface QuickDownspout {
  /** Roof that comes down it, seen from above, m². */
  roofArea: number;
  /** Ground at its foot, m above the job's zero. */
  groundLevel: number;
  /** Along the trench to the next downspout, or from the last to the way out, m. */
  toNext: number;
}

export interface QuickJob {
  name: string;
  units: 'us' | 'metric';
  rain: RainElement | null;
  downspouts: QuickDownspout[];
  wayOut: Pick<Discharge, 'form' | 'receiving' | 'groundLevel'>;
}

/** 4 in, m: where a quick line starts, to be sized by the plan. */
const FIRST_SIZE = 0.1016;

/** What lies at the foot of a bank: the ground is near even until its top, and does not fall all the way to it. */
const BANKED: ReadonlySet<Discharge['receiving']> = new Set(['swale', 'ditch']);
/** Length of such a bank until somebody measures it, m: 6 ft. */
const USUAL_BANK = 6 * METRES_PER_FOOT;

const NAMES: Record<Discharge['receiving'], string> = {
  swale: 'Swale',
  slope: 'Slope',
  ditch: 'Ditch',
  street: 'Street',
  lawn: 'Lawn',
};

/** The elements of a quick job. Sizes start at 4 in; `planJob` tells what each run needs. */
export function quickElements({ name, units, rain, downspouts, wayOut }: QuickJob): Element[] {
  const elements: Element[] = [{ id: 'job', kind: 'job', name, units, pitchStyle: 'ground' }];
  if (rain) elements.push(rain);
  downspouts.forEach(({ roofArea, groundLevel, toNext }, index) => {
    const count = index + 1;
    const to = count < downspouts.length ? `ds${count + 1}` : 'out1';
    elements.push(
      {
        id: `face${count}`,
        kind: 'roofFace',
        name: `Roof ${count}`,
        storey: 1,
        shape: { type: 'area', area: roofArea },
        feeds: [{ to: `ds${count}`, share: 1 }],
      },
      { id: `ds${count}`, kind: 'downspout', name: `Downspout ${count}`, storey: 1, size: 'rect3x4', groundLevel },
      {
        id: `run${count}`,
        kind: 'run',
        from: `ds${count}`,
        to,
        length: toNext,
        material: 'smooth',
        nominal: FIRST_SIZE,
        grade: { type: 'auto' },
      },
    );
  });
  const last = downspouts.at(-1);
  elements.push({
    id: 'out1',
    kind: 'discharge',
    name: NAMES[wayOut.receiving],
    ...wayOut,
    ...(last && BANKED.has(wayOut.receiving) && wayOut.groundLevel < last.groundLevel
      ? { bank: { length: Math.min(USUAL_BANK, last.toNext / 2), topLevel: last.groundLevel } }
      : {}),
  });
  return elements;
}
