/** Times and places of a test as they are said. */
import { decimals, showLength, text, type Shown, type UnitSystem } from '../units';

/** A time on a watch: 48 s, 2 min 10 s, 1 h 5 min. */
export function watch(seconds: number): string {
  const whole = Math.round(seconds);
  if (whole < 60) return `${whole}\u00a0s`;
  if (whole < 3600) {
    const rest = whole % 60;
    return `${Math.floor(whole / 60)}\u00a0min${rest > 0 ? ` ${rest}\u00a0s` : ''}`;
  }
  const minutes = Math.round(whole / 60);
  return `${Math.floor(minutes / 60)}\u00a0h${minutes % 60 > 0 ? ` ${minutes % 60}\u00a0min` : ''}`;
}

/** How fast soil takes water, as it is measured in a hole: inches or millimetres an hour. */
export function showPace(metresPerSecond: number, units: UnitSystem): Shown {
  const perHour = metresPerSecond * 3600;
  const figure = units === 'us' ? perHour / 0.0254 : perHour * 1000;
  return { value: decimals(figure, figure < 9.95 ? 2 : 0), unit: units === 'us' ? 'in/h' : 'mm/h' };
}

/** From one place on a pipe to another: between 31′ and 52′; at 31′ where they are the same to a pace. */
export function between(from: number, to: number, units: UnitSystem): string {
  const [one, other] = [text(showLength(from, units)), text(showLength(to, units))];
  return to - from < 0.5 ? `at ${one}` : `between ${one} and ${other}`;
}

/** A US cup, m³. */
export const CUP = 0.000236588;

/** What is scooped out of a sump, m³: in cups, or litres. */
export function showGrit(cubicMetres: number, units: UnitSystem): Shown {
  if (units === 'metric') return { value: decimals(cubicMetres * 1000, 1), unit: 'L' };
  const cups = Math.round(cubicMetres / CUP);
  return { value: `${cups}`, unit: cups === 1 ? 'cup' : 'cups' };
}

/** Rain of a gauge: to a hundredth of an inch, or a millimetre. */
export const showRainDepth = (metres: number, units: UnitSystem): Shown =>
  units === 'us'
    ? { value: decimals(metres / 0.0254, 2), unit: 'in' }
    : { value: decimals(metres * 1000, 0), unit: 'mm' };

/** Some of a list in a row, and how many more there are: what was told of a visit is kept with it, and stays short. */
export function listed(items: readonly string[], between: string, most = 6): string {
  const more = items.length - most;
  return more > 0 ? `${items.slice(0, most).join(between)}${between}and ${more} more` : items.join(between);
}
