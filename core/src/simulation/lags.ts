/** Swales, culverts and berms that lead water on: they hold it for as long as it takes to run down them. */
import { ofKind, type Job } from '../job/job';
import type { Element } from '../job/kinds';
import { lengthOf } from '../works/measures';

/** How fast water runs in a swale, m/s, to tell how long it takes. */
const SPEED = 0.5;
const LEAST = 2;

interface Lag {
  to: string | undefined;
  /** s */
  time: number;
  volume: number;
}

export class Lags {
  private readonly lags = new Map<string, Lag>();

  constructor(job: Job) {
    const led = (element: Element): string | undefined =>
      'to' in element ? (element.to as string | undefined) : undefined;
    for (const element of [...ofKind(job, 'swale'), ...ofKind(job, 'culvert'), ...ofKind(job, 'berm')]) {
      const time = Math.max(LEAST, lengthOf(element as Parameters<typeof lengthOf>[0]) / SPEED);
      this.lags.set(element.id, { to: led(element), time, volume: 0 });
    }
  }

  /** Whether it is one of these, and then takes the water, m³. */
  take(id: string, volume: number): boolean {
    const lag = this.lags.get(id);
    if (lag) lag.volume += volume;
    return lag !== undefined;
  }

  get stored(): number {
    let sum = 0;
    for (const { volume } of this.lags.values()) sum += volume;
    return sum;
  }

  step(dt: number, passOn: (to: string | undefined, volume: number) => void): void {
    for (const lag of this.lags.values()) {
      if (lag.volume <= 0) continue;
      const goes = lag.volume * (1 - Math.exp(-dt / lag.time));
      lag.volume -= goes;
      passOn(lag.to, goes);
    }
  }
}
