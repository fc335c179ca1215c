/**
 * A storm over a job, step by step: rain onto roofs and ground, over the ground to inlets, down those into pipes, through pipes to ways out,
 * and back up where a line is full. What goes from one part to another goes by volumes, so that none is lost.
 */
import { headOf, ofKind, type Job } from '../job/job';
import type { Landing } from '../job/kinds';
import { resolveSettings, type Settings } from '../job/settings';
import { drainsOf, type Drains } from '../plan/drains';
import { layOut, type Layout } from '../plan/layout';
import type { Plan } from '../verdict/planJob';
import { closed, type Balance } from './balance';
import { Ends } from './ends/ends';
import { failsAt, type Failure, type FailureKind } from './failing';
import { jobGround, type JobGround } from './ground/groundOfJob';
import { Led } from './ends/led';
import { InSwales } from './ends/inSwales';
import { keepsWater } from './ends/waysOut';
import { Mouth, POOL } from './mouth';
import { cellsUnder, isGrounded } from './ground/placing';
import { hollowsOf } from './ground/hollows';
import { takesOf } from './inletStore';
import { giveTo, NOTHING_GONE } from './over';
import { lowestSillAt } from './told/nearDoors';
import { Peaks } from './told/peaks';
import { pipesOf, type JobPipes } from './pipes/pipesOf';
import { depthIn, type Rainfall } from './rain/rainfall';
import { Shedding } from './shedding';
import type { Wetness } from './ground/soak';

export interface StormIn {
  rain: Rainfall;
  wetness: Wetness;
  failing: readonly Failure[];
  /** s a step; and cells of the ground at most, as many as the yard asks for where nothing is said. */
  step?: number;
  cells?: number;
}

const STEP = 2;

/** What runs all the time, and into what; null where nobody has said. */
interface Fixed {
  to: string | null;
  flow: number;
}

export class Simulation {
  time = 0;
  readonly shedding: Shedding;
  readonly ends: Ends;
  readonly pipes: JobPipes;
  readonly ground: JobGround | null;
  readonly mouths: readonly Mouth[];
  readonly peaks: Peaks;
  readonly dt: number;
  /** Steps in which the pipes' water was hard to find. */
  hard = 0;
  readonly layout: Layout;
  readonly led: Led;
  private readonly swales: InSwales;
  /** What each drain in the ground brings whatever the sky does, m³/s. */
  readonly drains: Drains;
  private readonly mouthOf: ReadonlyMap<string, Mouth>;
  private readonly enters: Float64Array;
  /** By landing m³ so far that were let straight into it. */
  readonly entered: Float64Array;
  private readonly gone = { ...NOTHING_GONE };
  private readonly fixed: readonly Fixed[];
  private readonly stood: number;

  constructor(
    job: Job,
    plan: Plan,
    private readonly given: StormIn,
  ) {
    const here = plan.here ?? job;
    this.dt = given.step ?? STEP;
    this.layout = layOut(here);
    const settings = resolveSettings(headOf(here).settings);
    this.ground = jobGround(here, given);
    this.shedding = new Shedding(job, (surface) => isGrounded(this.ground, job, surface), given.wetness);
    this.pipes = pipesOf(here, this.layout, (landing) => this.overRim(landing));
    const { landings } = this.layout.tree;
    this.mouths = this.layMouths(here, plan, settings);
    this.mouthOf = new Map(this.mouths.map((mouth) => [mouth.landing.id, mouth]));
    this.ends = new Ends(here, this.layout, plan, this.pipes);
    this.led = new Led(here, plan);
    this.swales = new InSwales(here, plan, { led: this.led, ground: this.ground });
    this.drains = drainsOf(here);
    this.fixed = [
      ...ofKind(here, 'fixedFlow').flatMap(({ flow, feeds }): Fixed[] => {
        const whole = feeds.reduce((sum, { share }) => sum + share, 0);
        return whole === 0
          ? [{ to: null, flow }]
          : feeds.map(({ to, share }) => ({ to, flow: (flow * share) / whole }));
      }),
      // No more than its own pipes carry comes out of a drain.
      ...[...this.drains].map(([to, { flow, capacity }]): Fixed => ({ to, flow: Math.min(flow, capacity) })),
    ];
    [this.enters, this.entered] = [new Float64Array(landings.length), new Float64Array(landings.length)];
    this.peaks = new Peaks(this, settings);
    this.fill();
    this.stood = this.pipes.water.stored;
  }

  /** Every landing that opens to the air; a fitting under the ground is closed. */
  private layMouths(job: Job, plan: Plan, settings: Settings): Mouth[] {
    const open = this.layout.tree.landings.flatMap((landing, index) =>
      landing.kind === 'junction'
        ? []
        : [{ landing, index, cells: cellsUnder(this.ground, landing), rim: landing.groundLevel }],
    );
    const inlets = open.filter(({ landing }) => takesOf(landing) !== null);
    const hollows = this.ground ? hollowsOf(this.ground.grid, inlets) : [];
    return open.map((each) => {
      const { landing, index, cells } = each;
      const hollow = hollows[inlets.indexOf(each)] ?? null;
      const ranOut = hollow && { brim: hollow.brim, soFar: this.ground!.flow.watch(hollow.cells) };
      const lowestSill = lowestSillAt(job, landing);
      return new Mouth(landing, index, this.ground, cells, { plan, settings, lowestSill, ranOut });
    });
  }

  /** Ground that water spreads over once it has come up through a landing, m². */
  private overRim(landing: Landing): number {
    // What stands outside a way out is not the line's.
    if (landing.kind === 'junction' || (landing.kind === 'discharge' && !keepsWater(landing))) return 0;
    const cells = cellsUnder(this.ground, landing);
    return cells.length > 0 ? cells.length * this.ground!.flow.area : POOL;
  }

  /** Water that stands in the lines before it rains, behind pop-ups and drowned ends. */
  private fill(): void {
    const { water } = this.pipes;
    const raise = (cell: number, level: number): void => {
      if (level > water.level[cell]!) water.setLevel(cell, level);
    };
    const behind = ({ index, level }: { index: number; level: number }): void => {
      water.runs.forEach((run, k) => {
        if (run.to !== index || run.invertDown >= level) return;
        for (let cell = 0; cell < water.cellsOf[k]!; cell++) raise(water.firstCell[k]! + cell, level);
        if (run.invertUp >= level) return;
        raise(run.from, level);
        behind({ index: run.from, level });
      });
    };
    for (const end of this.ends.standing(this.failing)) {
      raise(end.index, end.level);
      behind(end);
    }
    // Ground that takes no more has left a pit as full as the rain before filled it.
    for (const { id, index, top } of this.ends.stores)
      if (this.failing('full', id)) {
        raise(index, top);
        behind({ index, level: top });
      }
  }

  private readonly failing = (kind: FailureKind, id: string): Failure | undefined =>
    this.given.failing.find((each) => each.kind === kind && each.id === id && failsAt(each, this.time));

  /** Share of something that is open while what may stop it does so, 1 where nothing does. */
  private openOf(kind: FailureKind, id: string): number {
    const failure = this.failing(kind, id);
    return failure ? 1 - (failure.share ?? 1) : 1;
  }

  /** Hands water (m³) to what takes it: over the ground it stands over a grate first; down a leader or out of a pipe it goes straight in. */
  private readonly deliver = (id: string | undefined, volume: number): void => {
    if (id === undefined) this.gone.ranOff += volume;
    else if (!this.led.take(id, volume)) {
      const index = this.pipes.indexOf.get(id);
      const mouth = this.mouthOf.get(id);
      if (index === undefined) this.gone.unled += volume;
      else if (mouth?.takes) mouth.give(volume);
      else {
        this.enters[index]! += volume / this.dt;
        this.entered[index]! += volume;
      }
    }
  };

  /** What a gutter spills, or a leader that is off its pipe: onto the ground where it stands, or where somebody has said. */
  private readonly overGutter = (id: string, volume: number): void => {
    const mouth = this.mouthOf.get(id);
    if (mouth?.landing.kind === 'downspout' && mouth.landing.spillsTo !== undefined)
      this.deliver(mouth.landing.spillsTo, volume);
    else if (!this.onto(id, volume)) this.gone.overGutters += volume;
  };

  private readonly onto = (id: string, volume: number): boolean => {
    const cells = this.mouthOf.get(id)?.cells ?? [];
    if (cells.length === 0) return false;
    giveTo(this.ground!, cells, volume);
    return true;
  };

  /** One step of `dt` s. */
  step(): void {
    const { dt, gone, enters } = this;
    const { water } = this.pipes;
    const rain = depthIn(this.given.rain, this.time, dt);
    this.shed(rain);
    gone.soaked += this.led.step(dt, this.time + dt, this.deliver, (id) => this.openOf('stopped', id));
    this.ground?.rain(rain, dt);
    this.ground?.flow.run(dt);
    for (const mouth of this.mouths) {
      enters[mouth.index]! += mouth.takeIn(water, dt, this.openOf('blocked', mouth.landing.id)) / dt;
      mouth.runOff(dt, this.deliver);
    }
    this.ends.hold(dt, enters, gone, this.failing, this.swales.outside);
    this.pipes.runIds.forEach((id, k) => (water.open[k] = this.openOf('stopped', id)));
    const left = water.step(dt, enters, this.ends.held);
    enters.fill(0);
    if (!water.converged) this.hard++;
    this.ends.letOut(dt, left, gone, {
      through: (index, volume) => (enters[index]! += volume / dt),
      onto: this.onto,
      led: (id, volume) => this.led.take(id, volume),
    });
    for (const mouth of this.mouths) {
      // A lid that is frozen down lets nothing up either.
      const isClosed =
        !Number.isNaN(this.ends.held[mouth.index]!) || this.failing('shut', mouth.landing.id) !== undefined;
      gone.ranOff += mouth.comeUp(water, isClosed);
    }
    this.time += dt;
    this.peaks.note();
  }

  private shed(rain: number): void {
    const { dt, gone } = this;
    const delivery = {
      to: this.deliver,
      unled: (_: string, volume: number) => void (gone.unled += volume),
      overGutter: this.overGutter,
    };
    this.shedding.step(rain, dt, delivery, (id) => this.failing('off', id) !== undefined);
    for (const { to, flow } of this.fixed) {
      gone.fixed += flow * dt;
      if (to === null) gone.unled += flow * dt;
      else this.deliver(to, flow * dt);
    }
  }

  get balance(): Balance {
    const shed = this.shedding.sums;
    const { gone, ground, dt } = this;
    const waits = this.enters.reduce((sum, flow) => sum + flow * dt, 0);
    const over = this.mouths.reduce((sum, { stored }) => sum + stored, 0) + this.led.stored + waits;
    return closed({
      ...gone,
      fell: shed.fell + (ground?.fell ?? 0),
      wetted: shed.wetted + (ground?.wetted ?? 0),
      soaked: shed.soaked + (ground?.soaked ?? 0) + gone.soaked,
      overEdge: ground?.flow.left ?? 0,
      // What stood there before it rained is neither.
      stored: shed.stored + (ground?.flow.stored ?? 0) + over + this.pipes.water.stored - this.stood,
    });
  }
}
