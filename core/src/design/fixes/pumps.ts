/** A stronger pump. */
import { type OfKind } from '../../job/kinds';
import { MOST_STARTS, pumpPlan, usualPump } from '../../works/pumpBasin';

export type Step<E> = { label: string; next: Partial<E> };

/** Lengths in a job's own units. */
export interface Say {
  small(metres: number): string;
  long(metres: number): string;
  nominal(metres: number): string;
}

type Pump = NonNullable<OfKind<'discharge'>['pump']>;

/** A basin wide enough that this pump does not start too often in it. */
function roomFor(discharge: OfKind<'discharge'>, pump: Pump): Pump {
  const { rate } = pumpPlan({ ...discharge, pump }, 0);
  const volume = (3600 * rate) / (4 * (MOST_STARTS - 0.5));
  return { ...pump, area: Math.max(pump.area, volume / (pump.start - pump.stop)) };
}

/** A pump that lifts more, through a wider line, in a basin that suits it. */
export function stronger(discharge: OfKind<'discharge'>, say: Say): Step<OfKind<'discharge'>>[] {
  const pump = discharge.pump ?? usualPump(discharge.groundLevel);
  const wider = [0.0508, 0.0762, 0.1016].filter((size) => size > pump.mainDiameter + 1e-6);
  return [
    ...wider.map((mainDiameter) => ({
      label: `A rising line of ${say.nominal(mainDiameter)}`,
      next: { pump: roomFor(discharge, { ...pump, mainDiameter }) },
    })),
    ...[1.5, 2, 3, 4, 6].map((times) => ({
      label: `A pump of ${times} times that head and flow, through a line of ${say.nominal(Math.max(pump.mainDiameter, 0.0762))}`,
      next: {
        pump: roomFor(discharge, {
          ...pump,
          mainDiameter: Math.max(pump.mainDiameter, 0.0762),
          curve: pump.curve.map(({ flow, head }) => ({ flow: flow * times, head: head * times })),
        }),
      },
    })),
  ];
}
