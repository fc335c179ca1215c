/** A roof or a piece of ground that sheds: rain gathers on it as a sheet and runs off its edge by its depth. */
import { takesIn, type Soaking } from './ground/soak';

export interface SheetIn {
  /** m², and m down its slope. */
  area: number;
  length: number;
  slope: number;
  /** Manning's n. */
  roughness: number;
  /** What wets it first, m; and what it takes in, null where nothing. */
  wetting: number;
  soaking: Soaking | null;
}

/** As one store: what leaves its edge is √S/n h^(5/3) a metre, h the sheet's mean depth: at equilibrium all the rain on it. */
export class Sheet {
  depth = 0;
  /** m³ so far: what fell on it, wetted it, and was taken in. */
  fell = 0;
  wetted = 0;
  soaked = 0;
  private dry: number;
  private taken = 0;

  constructor(private readonly given: SheetIn) {
    this.dry = given.wetting;
  }

  get stored(): number {
    return this.depth * this.given.area;
  }

  /** m³ that runs off its edge in a step of `dt` s with `rain` m of rain. */
  step(rain: number, dt: number): number {
    const { area, length, slope, roughness, soaking } = this.given;
    this.fell += rain * area;
    let water = this.depth + rain;
    const wets = Math.min(this.dry, water);
    this.dry -= wets;
    this.wetted += wets * area;
    water -= wets;
    if (soaking && water > 0) {
      const goes = Math.min(water, takesIn(soaking, this.taken, dt));
      this.taken += goes;
      this.soaked += goes * area;
      water -= goes;
    }
    if (water <= 0) {
      this.depth = 0;
      return 0;
    }
    // dh/dt = −√S/(n L) h^(5/3), solved for the step.
    const rate = Math.sqrt(slope) / (roughness * length);
    const left = (water ** (-2 / 3) + (2 / 3) * rate * dt) ** -1.5;
    this.depth = left;
    return (water - left) * area;
  }
}
