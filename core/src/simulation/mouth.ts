/**
 * Where pipes open to the air: an inlet with the water over it, in cells of the ground or in a pool of its own, and every other landing
 * that water can come up at. What goes down is handed to the pipes for the step; what stands over the rim after it comes up.
 */
import type { Landing } from '../job/kinds';
import type { Settings } from '../job/settings';
import type { Plan } from '../verdict/planJob';
import type { JobGround } from './ground/groundOfJob';
import { lengthOf } from '../works/measures';
import { OVER_STONE, takesOf, type Takes } from './inletStore';
import { giveTo, inCells } from './over';
import type { PipeFlow } from './pipes/pipeFlow';

/** Water over an inlet where no ground is measured stands on so much, m², and runs off over its rim so deep, m: 6 in. */
export const POOL = 4;
const RUNS_OFF = 0.15;
/** Weir over ground, SI. */
const WEIR = 1.7;

/** A hollow is as good as full so far under its brim, m. */
const NEAR_BRIM = 0.005;

/** Of the hollow that an inlet stands in the level from which it runs over, m, and m³ so far that have run out of it over the ground; null where none is measured, or another has it. */
export interface OutOfHollow {
  brim: number;
  soFar: () => number;
}

export class Mouth {
  readonly takes: Takes | null;
  private readonly isLong: boolean;
  /** m³ so far: what it took in; what ran on past it over the ground; of that while its line was full; and what came up out of it. */
  captured = 0;
  passed = 0;
  passedFull = 0;
  cameUp = 0;
  /** s in which its line let it take less than its grate would have. */
  secondsFull = 0;
  /** Whether water comes up out of it now. */
  rises = false;
  private readonly rim: number;
  private readonly spill: number;
  private readonly edge: number;
  private readonly passesTo: string | undefined;
  private readonly outOfHollow: OutOfHollow | null;
  /** Share of what comes that it catches on a slope. */
  private readonly caught: number;
  private pool = 0;
  private took = 0;
  private isFull = false;
  private ranOut = 0;

  constructor(
    readonly landing: Landing,
    readonly index: number,
    private readonly ground: JobGround | null,
    /** Cells of the ground that it stands in and draws from, its own first; none where no ground is measured. */
    readonly cells: readonly number[],
    {
      plan,
      settings,
      lowestSill,
      ranOut,
    }: {
      plan: Plan;
      settings: Settings;
      /** Lowest sill that its water stands against, m; ∞ without one. */
      lowestSill: number;
      ranOut: OutOfHollow | null;
    },
  ) {
    this.outOfHollow = ranOut;
    this.takes = takesOf(landing);
    this.isLong = landing.kind === 'channel' || landing.kind === 'stoneDrain';
    this.rim = landing.groundLevel;
    const isInlet = landing.kind === 'basin' || landing.kind === 'channel';
    const spills = isInlet ? landing.spillLevel : undefined;
    // Where nobody knows a way off, and a door stands there, it fills to the sill.
    const fillsTo = Number.isFinite(lowestSill) ? lowestSill : this.rim + RUNS_OFF;
    // Open stone lies level with the ground along it: what does not sink in there runs off over all its length.
    const isStone = landing.kind === 'stoneDrain';
    this.spill = isStone ? this.rim + OVER_STONE : Math.max(this.rim, spills ?? fillsTo);
    this.edge = isStone ? lengthOf(landing) : ((isInlet ? landing.spillLength : undefined) ?? settings.spillLength);
    this.passesTo = isInlet ? landing.passesTo : undefined;
    const planned = plan.inlets[landing.id];
    const isSloped = plan.onSlope.has(landing.id) && planned !== undefined && planned.offered > 0;
    this.caught = isSloped ? planned.taken / planned.offered : 1;
  }

  /** Water over its rim, m; or where the ground about it lies higher, over that. */
  get depth(): number {
    if (this.cells.length === 0) return this.pool / POOL;
    // Of a channel or of stone the deepest along it; of what stands in one place there.
    if (!this.isLong) return this.ground!.flow.depth[this.cells[0]!]!;
    let most = 0;
    for (const at of this.cells) most = Math.max(most, this.ground!.flow.depth[at]!);
    return most;
  }

  /** What is told to stand there, m: over an inlet the water on it, over another what comes up. What a way out is held at stands in its line. */
  standing(water: PipeFlow): number {
    if (this.takes) return this.depth;
    return this.landing.kind === 'discharge' ? 0 : Math.max(0, water.level[this.index]! - this.rim);
  }

  /** m³ in its own pool. */
  get stored(): number {
    return this.pool;
  }

  /** Water comes to it, to where it stands; or goes down, from all that it draws on. */
  give(volume: number): void {
    if (this.cells.length === 0) this.pool += volume;
    else giveTo(this.ground!, volume > 0 && !this.isLong ? this.cells.slice(0, 1) : this.cells, volume);
  }

  /** m³ that go down in a step of `dt` s, `open` being the share of it that is. */
  takeIn(water: PipeFlow, dt: number, open: number): number {
    this.took = 0;
    this.noteOut();
    this.isFull = false;
    const { depth } = this;
    if (!this.takes || depth <= 0) return 0;
    const there = this.cells.length === 0 ? this.pool : inCells(this.ground!, this.cells);
    // It has room up to its rim, and for what runs out of it meanwhile: what stands over it is counted there, and its head is left out of the line.
    const leaves = Math.max(0, water.leavingFlow(this.index)) * dt;
    const room = Math.max(0, water.volumeAt(this.index, this.rim) - water.volume[this.index]! + leaves);
    // No more than half of what stands there in one step: a shallow sheet is not drained to and fro.
    const wants = Math.min(there / 2, this.takes(depth) * open * dt);
    this.took = Math.min(wants, room);
    this.isFull = wants > room;
    if (this.isFull) this.secondsFull += dt;
    if (this.took > 0) this.give(-this.took);
    return this.took;
  }

  private noteOut(): void {
    if (!this.outOfHollow) return;
    const { brim, soFar } = this.outOfHollow;
    const now = soFar();
    // Before it is full what crosses its rim has not come by it.
    const { ground, depth } = this.ground!.flow;
    const at = this.cells[0]!;
    if (ground[at]! + depth[at]! > brim - NEAR_BRIM) this.pass(now - this.ranOut);
    this.ranOut = now;
  }

  private pass(volume: number): void {
    this.passed += volume;
    if (this.isFull || this.rises) this.passedFull += volume;
  }

  /** What of its pool runs off over the ground, or by it on a slope, in a step: handed to `passOn` with what takes it. */
  runOff(dt: number, passOn: (to: string | undefined, volume: number) => void): void {
    if (this.pool <= 0) return;
    let goes = this.pool * (1 - this.caught) * Math.min(1, dt);
    const over = this.rim + (this.pool - goes) / POOL - this.spill;
    if (over > 0) goes += Math.min(over * POOL, WEIR * this.edge * over ** 1.5 * dt);
    if (goes <= 0) return;
    this.pool -= goes;
    this.pass(goes);
    passOn(this.passesTo, goes);
  }

  /** After the pipes have run: what stands in them over the rim, or over the water on it, comes up. Gives what found no ground, m³. */
  comeUp(water: PipeFlow, isHeld: boolean): number {
    const { index } = this;
    const over = this.rim + (this.takes ? this.depth : 0);
    const isDrowned = !isHeld && water.level[index]! > over + 1e-9;
    const up = isDrowned ? Math.max(0, water.volume[index]! - water.volumeAt(index, over)) : 0;
    // What went down and came up again in one step has done neither.
    this.captured += Math.max(0, this.took - up);
    this.cameUp += Math.max(0, up - this.took);
    this.rises = up > this.took;
    if (up <= 0) return 0;
    water.setLevel(index, over);
    if (!this.takes && this.cells.length === 0) return up;
    this.give(up);
    return 0;
  }
}
