/** What of the yard is shown: all of it, or only what one asks about. */
import type { ElementKind } from '@katabasis/core';
import { z } from 'zod';
import type { GroundOnPlan } from '../../drawing/yard/drawn';
import type { Thing } from '../../drawing/yard/scene';
import { useNoted } from '../../input/useNoted';

export const SHOWS = ['all', 'ground', 'water', 'pipes', 'names'] as const;
export type Show = (typeof SHOWS)[number];

export const SHOW_LABELS: Record<Show, string> = {
  all: 'All',
  ground: 'Ground',
  water: 'Water',
  pipes: 'Pipes',
  names: 'Names',
};

/** Always there: a yard without its house is no yard. */
const SITE: readonly ElementKind[] = ['building', 'opening', 'barrier', 'tree', 'surface'];
const INLETS: readonly ElementKind[] = ['downspout', 'basin', 'channel', 'barrel', 'discharge'];
const WORKS: readonly ElementKind[] = ['swale', 'berm', 'culvert', 'drain', 'drainField', 'stoneDrain', 'pavedBed'];

interface Shown {
  /** Kinds that are drawn; every one where null. */
  kinds: ReadonlySet<ElementKind> | null;
  /** Of the ground. */
  contours: boolean;
  arrows: boolean;
  ponds: boolean;
}

const SHOWN: Record<Show, Shown> = {
  all: { kinds: null, contours: true, arrows: true, ponds: true },
  ground: {
    kinds: new Set([...SITE, 'spotLevel', 'breakline', 'soilTest', 'wetSpot', 'photo']),
    contours: true,
    arrows: true,
    ponds: true,
  },
  water: {
    kinds: new Set([...SITE, ...INLETS, ...WORKS, 'roofFace', 'wetSpot', 'fixedFlow']),
    contours: false,
    arrows: true,
    ponds: true,
  },
  pipes: {
    kinds: new Set([...SITE, ...INLETS, ...WORKS, 'run', 'junction', 'sleeve', 'service']),
    contours: false,
    arrows: false,
    ponds: false,
  },
  names: {
    kinds: new Set([
      ...SITE,
      ...INLETS,
      ...WORKS,
      'run',
      'junction',
      'service',
      'wetSpot',
      'soilTest',
      'photo',
      'roofFace',
    ]),
    contours: false,
    arrows: false,
    ponds: true,
  },
};

/** Things of a scene that are shown; what is chosen always is. The same list where all are. */
export function shownThings(things: readonly Thing[], show: Show, chosen: string | null): readonly Thing[] {
  const { kinds } = SHOWN[show];
  return kinds === null ? things : things.filter(({ id, kind }) => id === chosen || kinds.has(kind));
}

export function shownGround(ground: GroundOnPlan | null, show: Show): GroundOnPlan | null {
  const { contours, arrows, ponds } = SHOWN[show];
  if (!ground || (contours && arrows && ponds)) return ground;
  return {
    ...ground,
    ...(contours ? {} : { contours: [] }),
    ...(arrows ? {} : { arrows: [] }),
    ...(ponds ? {} : { ponds: [] }),
  };
}

const schema = z.enum(SHOWS);

/** What this device shows of every yard, remembered. */
export function useShow(): [Show, (show: Show) => void] {
  const [show, set] = useNoted<Show>('katabasis.yard.show', schema, 'all');
  return [show, (next) => set(() => next)];
}
