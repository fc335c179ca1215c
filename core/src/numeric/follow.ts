/**
 * Follows a quantity y > 0 along one coordinate by its slope: fourth-order Runge–Kutta where that is stable, an L-stable step where y is
 * drawn back to its own course too hard for it, and in halves where a step would more than double or halve y.
 */

export type SlopeAt = (at: number, y: number) => number;

export interface Step {
  at: number;
  next: number;
  y: number;
}

/** Most that a depth may change in one step, as a factor either way; a step that changes it more is taken in halves: at the shore of a pond, at a closed end. */
const MAX_CHANGE = 2;
const MAX_HALVINGS = 8;
/** Halvings in a whole profile: more than a shore and a closed end ever ask for, and few enough that absurd input still ends. */
export const HALVINGS_IN_ALL = 300;

/** How a flow is followed: its slope at a place and depth, its own branch, and how many steps may still be halved. */
export interface Follow {
  slopeAt: SlopeAt;
  ontoBranch: SlopeAt;
  spare: number;
}

/** Depth after a step, on the flow's own branch. */
export function advance(follow: Follow, step: Step, halvings = 0): number {
  const { slopeAt, ontoBranch } = follow;
  const { at, next, y } = step;
  const after = ontoBranch(next, oneStep(slopeAt, step));
  const most = Math.min(y * MAX_CHANGE, Math.max(y / MAX_CHANGE, after));
  if (after === most) return after;
  // At a closed end depth and flow vanish together, and no step is small enough: the change is cut to the most allowed.
  if (halvings === MAX_HALVINGS || follow.spare <= 0) return ontoBranch(next, most);
  follow.spare--;
  const middle = (at + next) / 2;
  const half = advance(follow, { at, next: middle, y }, halvings + 1);
  return advance(follow, { at: middle, next, y: half }, halvings + 1);
}

/** Share of a depth over which its slope is differenced. */
const NEAR = 1e-6;

/** Fourth-order Runge–Kutta where that is stable; where the depth is drawn back to its own so hard that it would be leapt over, a stiff step. */
function oneStep(slopeAt: SlopeAt, { at, next, y }: Step): number {
  const h = next - at;
  const a = slopeAt(at, y);
  if (at !== 0 && (h * (slopeAt(at, y * (1 + NEAR)) - a)) / (y * NEAR) < -1) return stiffStep(slopeAt, { at, next, y });
  const b = slopeAt(at + h / 2, y + (a * h) / 2);
  const c = slopeAt(at + h / 2, y + (b * h) / 2);
  const d = slopeAt(next, y + c * h);
  return y + (h * (a + 2 * b + 2 * c + d)) / 6;
}

/** L-stable second-order Rosenbrock method (Verwer et al. 1999). */
const GAMMA = 1 - Math.SQRT1_2;

/** One step of it: whatever pull draws the depth back to itself cannot upset it. */
function stiffStep(slopeAt: SlopeAt, { at, next, y }: Step): number {
  const h = next - at;
  const f = slopeAt(at, y);
  const dy = y * NEAR;
  const dx = h * 1e-3;
  const pull = (slopeAt(at, y + dy) - slopeAt(at, y - dy)) / (2 * dy);
  const drift = (slopeAt(at + dx, y) - slopeAt(at - dx, y)) / (2 * dx);
  const divisor = 1 - GAMMA * h * pull;
  const k1 = (f + GAMMA * h * drift) / divisor;
  const k2 = (slopeAt(next, y + h * k1) - GAMMA * h * drift - 2 * k1) / divisor;
  return y + h * (1.5 * k1 + 0.5 * k2);
}
