/** Days that each machine is wanted on a job, whole ones as it is rented, by what it does and the crew's pace. */
import type { Item } from '../catalogue/items';
import type { Rentable } from '../catalogue/diggers';
import { BORE, CHAINED, DIG, LAY, RAM, SAW, STRIP, type StepKind } from '../catalogue/paces';
import { crewOf, paceOf } from '../job/crew';
import type { Job } from '../job/job';
import { headOf } from '../job/job';
import { netOf, type TakeOff } from './takeOff';
import { noMachineIn } from './widths';

export type MachineDays = Partial<Record<Rentable, number>>;

/** The step that each machine is wanted for most: its pace is the machine's. */
export const MACHINE_STEP: Record<Rentable, StepKind> = {
  excavator: 'line',
  trencher: 'line',
  sodCutter: 'strip',
  rammer: 'backfill',
  wetSaw: 'strip',
  borer: 'line',
  waterPump: 'line',
};

/** Hours that each machine runs or stands by at the usual pace; one that stands by while pipe is laid is there for both. */
export function machineHours(
  job: Job,
  { parts, trenches }: Pick<TakeOff, 'parts' | 'trenches'>,
): Record<Rentable, number> {
  const { crew } = crewOf(job);
  const net = (...types: Item['type'][]): number => netOf(parts, ...types);
  const over = (of: (trench: TakeOff['trenches'][number]) => number): number =>
    trenches.reduce((sum, trench) => sum + of(trench), 0);
  const opened = trenches.filter(({ bored, length }) => bored < length);
  const trenched = over(({ volume }) => volume);
  const laidBehind = (digger: string): number =>
    opened.reduce((sum, each) => sum + (each.digger === digger ? each.length / LAY / crew : 0), 0);
  const shut = noMachineIn(job, trenches);
  const byMachine = over(({ digger, bored, volume }) => (digger === 'excavator' && bored === 0 ? volume : 0));
  const beside = Math.max(0, net('dug') - trenched);
  return {
    excavator: shut ? 0 : (byMachine + beside) / DIG + laidBehind('excavator'),
    trencher: shut ? 0 : over(({ digger, own }) => (digger === 'trencher' ? own / CHAINED : 0)),
    sodCutter: net('sodCut', 'turf') / STRIP / crew,
    rammer: net('backfill') / RAM / crew,
    wetSaw: net('saw') / SAW / crew,
    borer: over(({ bored }) => bored / BORE / crew),
    // As long as a trench lies open in water.
    waterPump:
      (headOf(job).prices?.conditions?.wet ?? 0) > 0 ? trenched / DIG + over(({ length }) => length / LAY / crew) : 0,
  };
}

/** The same in whole days, as machines are rented, at the crew's own pace; none where nothing asks for one. */
export function machineDays(job: Job, taken: Pick<TakeOff, 'parts' | 'trenches'>): MachineDays {
  const crew = crewOf(job);
  return Object.fromEntries(
    (Object.entries(machineHours(job, taken)) as [Rentable, number][]).flatMap(([machine, takes]) =>
      takes > 1e-9
        ? [[machine, Math.max(1, Math.ceil((paceOf(crew, MACHINE_STEP[machine]) * takes) / crew.hours - 1e-6))]]
        : [],
    ),
  );
}
