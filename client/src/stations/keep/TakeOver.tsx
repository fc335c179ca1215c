/** What a visit measured, taken over into the plan by a tap, and never unasked: with what the plan says then. */
import { elementOf, nameOf, put, showPercent, text, type Change, type Discharge, type Visit } from '@katabasis/core';
import { drainingOf, lawnLoss, oldFound, fitPit, showPace, type Draining } from '@katabasis/core/visits';
import { useMemo } from 'react';
import { useJob } from '../../planning/useJob';
import { Offered } from './Offered';

interface Offer {
  label: string;
  why: string;
  change: Change;
}

/** The soil of a pit, as its water fell. */
function useSoil(visit: Visit): Offer | null {
  const { job, plan, units } = useJob();
  return useMemo(() => {
    const { test } = visit;
    if (test.type !== 'drainDown') return null;
    const draining = drainingOf(job, plan, test.of);
    const fit = draining && fitPit(draining.pit, test.readings);
    if (!draining || !fit || 'sentence' in fit) return null;
    const { discharge } = draining;
    const store = discharge.store;
    const same = store?.conductivity !== undefined && Math.abs(store.conductivity / fit.conductivity - 1) < 0.01;
    if (same || !elementOf(job, 'discharge', test.of)) return null;
    const whole = store ?? storeFor(draining);
    const pace = text(showPace(fit.conductivity, units));
    return {
      label: `Count on ${pace}`,
      why: 'The plan then counts on half of it, as ground silts up. What was counted on before stands in the job’s history.',
      change: put(`Soil of ${discharge.name} as measured: ${pace}`, {
        ...discharge,
        store: { ...whole, conductivity: fit.conductivity },
      }),
    };
  }, [job, plan, units, visit]);
}

/** Of one that goes by the usual measures: they are its own from now on. */
const storeFor = ({ pit }: Draining): NonNullable<Discharge['store']> => ({
  area: pit.area,
  perimeter: pit.perimeter,
  voids: pit.voids,
  depth: pit.depth,
  cover: pit.cover,
});

/** How much of the rain ran off the ground round each basin at which water stood, by all its rains. */
function LawnLoss({ visit }: { visit: Visit }) {
  const { job, plan } = useJob();
  const offers = useMemo(() => {
    const { test } = visit;
    const basins = test.type === 'rain' ? test.stood.filter(({ depth }) => depth > 0) : [];
    return basins.flatMap(({ at }) => {
      const found = lawnLoss(job, plan, at);
      // What lies within its range already is no better known.
      return found && (found.now < found.low || found.now > found.high) ? [{ at, found }] : [];
    });
  }, [job, plan, visit]);
  const percent = (share: number): string => text(showPercent(share));
  return (
    <>
      {offers.map(({ at, found }) => (
        <Offered
          key={at}
          label={`Count on ${percent(found.coefficient)} running off to ${nameOf(job, at)}`}
          why={`If its grate was free: by ${found.rains === 1 ? 'this rain' : `${found.rains} rains`} ${percent(found.low)} to ${percent(found.high)} ran off; the plan counts on ${percent(found.now)}.`}
          change={found.change}
        />
      ))}
    </>
  );
}

const OLD = 'The old pipe is judged by it from then on.';

export function TakeOver({ visit }: { visit: Visit }) {
  const { job } = useJob();
  const soil = useSoil(visit);
  const found = useMemo(() => oldFound(job, visit), [job, visit]);
  return (
    <>
      {soil && <Offered {...soil} />}
      <LawnLoss visit={visit} />
      {found.map(({ label, change }) => (
        <Offered key={label} label={`Take over: ${label}`} why={OLD} change={change} />
      ))}
    </>
  );
}
