/** How a line turns on the plan, and the bends that make it. */
import { PIPE_SUPPLY } from '../catalogue/supply';
import type { Run } from '../job/kinds';
import { bearing, type Place } from '../site/place';
import type { Counting } from './counting';

/** A joint gives way by so much without a bend, rad: 6°. */
const SLACK = (6 * Math.PI) / 180;
const STEP = Math.PI / 8;

/** How far a way turns from one direction to another, rad, 0 to π. */
export function turnBetween(before: number, after: number): number {
  const turn = Math.abs(after - before) % (2 * Math.PI);
  return turn > Math.PI ? 2 * Math.PI - turn : turn;
}

/** Bends for a turn (rad): 45s, and a 22½ for what is left; none that a joint or pipe that bends by hand makes up. */
export function addBends(counting: Counting, run: Pick<Run, 'material' | 'nominal'>, turn: number, id: string): void {
  if (PIPE_SUPPLY[run.material].bends) return;
  const steps = Math.max(0, Math.ceil((turn - SLACK) / STEP));
  const { material, nominal } = run;
  counting.add({ type: 'bend', material, nominal, degrees: 45 }, id, Math.floor(steps / 2));
  counting.add({ type: 'bend', material, nominal, degrees: 22.5 }, id, steps % 2);
}

/** Whether a turn (rad) takes any bend at all. */
export const isBent = ({ material }: Pick<Run, 'material'>, turn: number): boolean =>
  !PIPE_SUPPLY[material].bends && turn > SLACK;

const NONE: readonly number[] = [];

/** Turns at the bends of a run's own way, rad. */
export function ownTurns(way: readonly Place[]): readonly number[] {
  if (way.length < 3) return NONE;
  return way.slice(1, -1).map((at, k) => turnBetween(bearing(way[k]!, at), bearing(at, way[k + 2]!)));
}
