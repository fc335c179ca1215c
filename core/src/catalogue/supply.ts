/** How things come from a yard, and what is usual to dig for them. Usual values of the trade; the supplier's own replace them. */
import { METRES_PER_FOOT, METRES_PER_INCH } from '../units/constants';
import type { Grate } from './grates';
import type { Material } from './pipes';
import type { Soil } from './soils';

const feet = (count: number): number => count * METRES_PER_FOOT;
const inches = (count: number): number => count * METRES_PER_INCH;

export interface PipeSupply {
  /** Outside over nominal size. */
  outside: number;
  /** A bell at one end of every stick, so that whole ones need no couplers. */
  belled: boolean;
  /** How its joints are made. */
  joint: 'glued' | 'gasket' | 'taped';
  /** Bends by hand round a yard's corners. */
  bends: boolean;
  /** kg per m³ of its nominal bore: its own weight by size. */
  density: number;
}

export const PIPE_SUPPLY: Record<Material, PipeSupply> = {
  smooth: { outside: 1.055, belled: true, joint: 'glued', bends: false, density: 190 },
  doubleWall: { outside: 1.18, belled: true, joint: 'gasket', bends: false, density: 85 },
  singleWall: { outside: 1.18, belled: false, joint: 'taped', bends: true, density: 55 },
  flexible: { outside: 1.2, belled: false, joint: 'taped', bends: true, density: 55 },
  clay: { outside: 1.25, belled: true, joint: 'gasket', bends: false, density: 1500 },
};

export interface Pack {
  of: 'stick' | 'roll';
  /** m */
  length: number;
}

/** Largest pipe that comes in rolls, m. */
const ROLLED = inches(6);

/** So much of a pipe that bends is a roll's worth, m: less is bought by the stick. */
const ROLL_FROM = feet(60);

/** What so much pipe (m) is bought by: 10 ft of smooth pipe, 20 ft of double-wall; what bends, while it is small, by rolls of 100 ft, or where little is wanted by sticks of 10. */
export function packOf(material: Material, nominal: number, wanted = Number.POSITIVE_INFINITY): Pack {
  if (PIPE_SUPPLY[material].bends && nominal <= ROLLED + 1e-6)
    return wanted < ROLL_FROM ? { of: 'stick', length: feet(10) } : { of: 'roll', length: feet(100) };
  return { of: 'stick', length: feet(material === 'smooth' ? 10 : 20) };
}

/** m */
export const outsideOf = (material: Material, nominal: number): number => PIPE_SUPPLY[material].outside * nominal;

/** A catch basin's box: from its rim to the invert of its outlets, m, and its openings. */
export const BOXES: Record<Grate, { body: number; ports: number }> = {
  round6: { body: inches(9), ports: 2 },
  flat9: { body: inches(9), ports: 4 },
  flat12: { body: inches(12), ports: 4 },
  dome12: { body: inches(12), ports: 4 },
  flat18: { body: inches(18), ports: 4 },
  round20: { body: inches(18), ports: 4 },
  flat24: { body: inches(24), ports: 4 },
};
/** Width of a basin's box outside, m; room beside it in its hole, and stone under it, m. */
export const BOX_WIDTH: Record<Grate, number> = {
  round6: inches(6),
  flat9: inches(9),
  flat12: inches(12),
  dome12: inches(12),
  flat18: inches(18),
  round20: inches(20),
  flat24: inches(24),
};
export const BOX_ROOM = inches(4);
export const UNDER_BOX = inches(5);
/** Holes drilled in the floor of one that may soak away. */
export const WEEP_HOLES = 5;
/** L of sealant for a plug or an opening. */
export const SEALANT = 0.03;
/** Concrete beside and under a channel, m. */
export const HAUNCH = inches(4);

/** Height of a riser, m. */
export const RISER = inches(6);
/** A length of channel drain, m. */
export const CHANNEL_LENGTH = 1;

/** Room between pipes side by side, m. */
export const BETWEEN_PIPES = inches(4);
/** Bedding of stone under a pipe that cars pass over, m. */
export const BEDDING = inches(4);
/** Backfill is rammed in lifts of this, m. */
export const LIFT = inches(6);
/** Turf is stripped wider than the trench, m. */
export const STRIP = inches(12);

/** Room that one chamber of a dry well takes up, m³: 0.8 by 0.5 by 0.5 m. */
export const CHAMBER = 0.2;

/** Bulk of dug soil over its bulk in the ground. */
export const swellOf = (soil: Soil): number =>
  soil === 'clay' || soil === 'clayLoam' ? 1.3 : soil === 'sand' || soil === 'loamySand' ? 1.12 : 1.25;
/** m³ in a truck: 10 yd³. */
export const TRUCK = 7.646;
/** Bulk density of stone, t/m³. */
export const STONE_DENSITY = 1.5;
/** Fabric laps itself by so much, m. */
export const LAP = inches(12);

/** Bought beyond what is measured, as a share of it. */
export const WASTE = 0.05;
