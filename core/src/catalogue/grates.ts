/** Generic grates; replace with the supplier's figures. Weir length is the whole rim, open area the clear slots. */
import { METRES_PER_INCH } from '../units/constants';

export const GRATES = ['round6', 'flat9', 'flat12', 'dome12', 'flat18', 'round20', 'flat24'] as const;
export type Grate = (typeof GRATES)[number];

export interface GrateFacts {
  label: string;
  /** m */
  weirLength: number;
  /** m² */
  openArea: number;
  /** Share that leaves usually take. */
  clogging: number;
}

/** Flat grates lose half to leaves, domes that stand above them a third (usual design allowances). */
const FLAT = 0.5;
const DOME = 0.3;

const squareInches = (count: number): number => count * METRES_PER_INCH ** 2;

export const GRATE_FACTS: Record<Grate, GrateFacts> = {
  round6: { label: '6 in round', weirLength: 0.479, openArea: squareInches(12), clogging: FLAT },
  flat9: { label: '9 × 9 in flat', weirLength: 0.914, openArea: squareInches(34), clogging: FLAT },
  flat12: { label: '12 × 12 in flat', weirLength: 1.219, openArea: squareInches(62), clogging: FLAT },
  dome12: { label: '12 in dome', weirLength: 0.958, openArea: squareInches(70), clogging: DOME },
  flat18: { label: '18 × 18 in flat', weirLength: 1.829, openArea: squareInches(150), clogging: FLAT },
  round20: { label: '20 in round', weirLength: 1.596, openArea: squareInches(150), clogging: FLAT },
  flat24: { label: '24 × 24 in flat', weirLength: 2.438, openArea: squareInches(260), clogging: FLAT },
};
