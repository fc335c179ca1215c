/** What the tools of the yard work with: the job, what was begun with the tool in hand, and what is said and shown of it. */
import { middleOf, type Change, type Place } from '@katabasis/core';
import { useCallback, useState, type RefObject } from 'react';
import type { PlanHandle } from '../../drawing/yard/GroundPlan';
import { useJob } from '../../planning/useJob';
import { useGo } from '../useGo';
import { NOTHING_BEGUN, useBegun, usePaced } from './doing';
import type { Board } from './tools/entry';

/** What is said and shown of what a finger does; of one address. */
interface Shown {
  of: string | null;
  wrong: string | null;
  route: readonly Place[] | null;
  mark: Place | null;
}

const FIRST_SHOWN: Shown = { of: null, wrong: null, route: null, mark: null };

/** `at`: what a finger does, from the address; `extent`: what the plan shows; `plan`: what brings a place to its middle. */
export function useBoard(
  at: string | null,
  extent: readonly Place[],
  plan: RefObject<PlanHandle | null>,
): Board & { route: Shown['route'] } {
  const go = useGo();
  const { job, plan: planned, edit, units } = useJob();
  const [pace, setPace] = usePaced(job.id);
  const [begun, setBegun] = useBegun(job.id, at);
  const [last, setShown] = useState<Shown>(FIRST_SHOWN);
  const { wrong, route, mark } = last.of === at ? last : FIRST_SHOWN;
  const choose = useCallback((id: string | null): void => go('yard', id), [go]);
  const close = useCallback((): void => choose(null), [choose]);
  const show: Board['show'] = useCallback(
    (next) => setShown((now) => ({ ...(now.of === at ? now : FIRST_SHOWN), ...next, of: at })),
    [at],
  );
  const begin: Board['begin'] = useCallback((next) => setBegun((now) => ({ ...now, ...next })), [setBegun]);
  const forget = useCallback((): void => setBegun(() => NOTHING_BEGUN), [setBegun]);
  const look = useCallback((place: Place): void => plan.current?.show(place), [plan]);
  const made = (change: Change, next: string | null): void => {
    const refused = edit(change);
    if (refused !== null) return show({ wrong: refused });
    forget();
    choose(next);
  };
  return {
    job,
    plan: planned,
    units,
    begun,
    begin,
    forget,
    pace,
    setPace,
    wrong,
    mark,
    route,
    show,
    look,
    middle: middleOf(extent),
    made,
    choose,
    close,
  };
}
