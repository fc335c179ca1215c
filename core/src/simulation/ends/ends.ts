/** All ways out of a job in a storm: at what level each is held, what each lets out, and where that runs on. */
import { letsInto, storeTop } from '../../catalogue/outfalls';
import { headOf, type Job } from '../../job/job';
import { resolveSettings } from '../../job/settings';
import type { Discharge } from '../../job/kinds';
import type { Layout } from '../../plan/layout';
import type { Plan } from '../../verdict/planJob';
import type { Failure, FailureKind } from '../failing';
import { storeOf } from '../../works/store';
import type { Gone } from '../over';
import type { JobPipes } from '../pipes/pipesOf';
import { wayOut, type WayOut } from './waysOut';

interface End extends WayOut {
  index: number;
  /** Channel drain that it runs on through, by its landing's index; −1 for none. */
  through: number;
  /** Runs that end there. */
  runs: readonly number[];
  flow: number;
  /** m³ that its pipes have brought so far. */
  came: number;
}

export class Ends {
  /** Level that each landing is held at, m; NaN of one that is not. */
  readonly held: Float64Array;
  private readonly ends: readonly End[];

  constructor(
    job: Job,
    layout: Layout,
    plan: Plan,
    private readonly pipes: JobPipes,
  ) {
    const { landings } = layout.tree;
    const { soil, settings: own } = headOf(job);
    const settings = resolveSettings(own);
    this.held = new Float64Array(landings.length).fill(NaN);
    this.ends = landings.flatMap((landing, index) => {
      if (landing.kind !== 'discharge') return [];
      const runs = pipes.water.runs.flatMap(({ to }, k) => (to === index ? [k] : []));
      const inverts = runs.map((k) => pipes.water.runs[k]!.invertDown);
      const invert = inverts.length > 0 ? Math.min(...inverts) : landing.groundLevel;
      const out = wayOut(landing, { invert, settings, plan: plan.works[landing.id], soil });
      const through = out.channel === undefined ? -1 : (pipes.indexOf.get(out.channel) ?? -1);
      return [{ ...out, index, through, runs, flow: 0, came: 0 }];
    });
  }

  /** Levels that lines stand at before it rains, m, with the landing of each. */
  standing(failing: (kind: FailureKind, id: string) => Failure | undefined): { index: number; level: number }[] {
    return this.ends.flatMap(({ index, heldAt, discharge }) => {
      const [own, high] = [heldAt(0), failing('high', discharge.id)?.level ?? -Infinity];
      const level = Number.isNaN(own) ? high : Math.max(own, high);
      return Number.isFinite(level) ? [{ index, level }] : [];
    });
  }

  /** Pits, each with its landing and the level that it is full at, m. */
  get stores(): { id: string; index: number; top: number }[] {
    return this.ends.flatMap(({ index, discharge }) => {
      const store = storeOf(discharge);
      return store ? [{ id: discharge.id, index, top: storeTop(discharge.groundLevel, store) }] : [];
    });
  }

  /** m³ that its pipes have brought to each way out so far, by id. */
  get came(): { id: string; came: number }[] {
    return this.ends.map(({ discharge, came }) => ({ id: discharge.id, came }));
  }

  /** m³/s that come out of a way out now. */
  flowNow(id: string): number {
    return this.ends.find(({ discharge }) => discharge.id === id)?.flow ?? 0;
  }

  /** Before the pipes run: levels, `outside` being that of the water which a line lets out into, and what stores and pumps take out of `enters` (m³/s). */
  hold(
    dt: number,
    enters: Float64Array,
    gone: Gone,
    failing: (kind: FailureKind, id: string) => Failure | undefined,
    outside: (discharge: Discharge) => number,
  ): void {
    const { water } = this.pipes;
    for (const { index, discharge, through, heldAt, drains, downTo, emptied, flow } of this.ends) {
      const { id } = discharge;
      const own = failing('shut', id) ? NaN : heldAt(flow);
      const against = through < 0 ? outside(discharge) : water.level[through]!;
      // Of one that is not held it is none, whatever stands outside.
      this.held[index] = Math.max(own, against, failing('high', id)?.level ?? -Infinity);
      const { soaks, pumped: lifts } = drains(water.level[index]!, {
        powered: failing('power', id) === undefined,
        full: failing('full', id) !== undefined,
      });
      const worn = failing('worn', id);
      const pumped = lifts * (1 - (worn ? (worn.share ?? 1) : 0));
      const there = water.volume[index]! + enters[index]! * dt - (pumped > 0 ? water.volumeAt(index, downTo) : 0);
      const goes = Math.min(Math.max(0, there), (soaks + pumped) * dt);
      // What comes in the same step does not keep it running.
      if (pumped > 0 && goes >= there) emptied();
      if (goes <= 0) continue;
      enters[index]! -= goes / dt;
      if (pumped > 0) gone.pumped += goes;
      else gone.soaked += goes;
    }
  }

  /**
   * After the pipes have run, `left` m³ having left through all that are held: what runs on through a channel goes in there in the next step,
   * what a swale takes is handed to `onto` and, where no ground is measured, to `led`, which say whether they did.
   */
  letOut(
    dt: number,
    left: number,
    gone: Gone,
    to: {
      through: (index: number, volume: number) => void;
      onto: (id: string, volume: number) => boolean;
      led: (id: string, volume: number) => boolean;
    },
  ): void {
    const { water } = this.pipes;
    gone.out += left;
    for (const end of this.ends) {
      let flow = 0;
      for (const k of end.runs) flow += water.flow[water.firstFace[k]! + water.cellsOf[k]!]!;
      end.came += flow * dt;
      end.flow = Number.isNaN(this.held[end.index]!) ? 0 : flow;
      const volume = end.flow * dt;
      if (volume <= 0) continue;
      if (end.through >= 0) to.through(end.through, volume);
      else {
        const into = letsInto(end.discharge);
        // On measured ground a swale is dug into it; one that is not drawn takes it as what leads it on.
        if (into === undefined || !(to.onto(end.discharge.id, volume) || to.led(into, volume))) continue;
      }
      gone.out -= volume;
    }
  }
}
