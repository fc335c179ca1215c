/** The days of the work as they are laid out today: round marks, weather, and what was settled by hand. */
import {
  needsOf,
  scheduleOf,
  standings,
  stepsOf,
  type NeedStanding,
  type Schedule,
  type TakeOff,
  type Weather,
  type WorkStep,
} from '@katabasis/core';
import { useMemo } from 'react';
import { useWeather } from '../../files/offices';
import { useJob } from '../../planning/useJob';
import { todayOf } from '../../parts/today';

export interface LaidOut {
  stands: readonly NeedStanding[];
  steps: readonly WorkStep[];
  schedule: Schedule;
  /** Days that are worked on, in turn. */
  days: readonly string[];
  /** Undefined while the weather office is out of reach. */
  forecast: readonly Weather[] | undefined;
}

const UNKNOWN: readonly Weather[] = [];

export function useSchedule(taken: TakeOff): LaidOut {
  const { job } = useJob();
  const today = todayOf();
  const forecast = useWeather(today).data;
  const stands = useMemo(() => standings(job, needsOf(job, taken), today), [job, taken, today]);
  const steps = useMemo(() => {
    const inspected = stands.some(({ need }) => need.kind === 'inspection');
    return stepsOf(job, taken, inspected);
  }, [job, taken, stands]);
  const schedule = useMemo(
    () => scheduleOf(job, steps, stands, forecast ?? UNKNOWN, today),
    [job, steps, stands, forecast, today],
  );
  const days = [...new Set(schedule.steps.flatMap((each) => each.days.map(({ day }) => day)))].sort();
  return { stands, steps, schedule, days, forecast };
}
