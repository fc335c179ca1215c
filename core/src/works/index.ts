/** Works that are not pipe: each with what it does in a rain. */
import type { BermPlan } from './berm';
import type { CulvertPlan } from './culvert';
import type { DrainPlan } from './drain';
import type { PavedBedPlan } from './pavedBed';
import type { PumpPlan } from './pumpBasin';
import type { StoneDrainPlan } from './stoneDrain';
import type { StorePlan } from './store';
import type { SwalePlan } from './swale';

/** A barrel: how long it takes the design rain, s; null where nothing comes to it. */
export interface BarrelPlan {
  kind: 'barrel';
  volume: number;
  flow: number;
  fillTime: number | null;
}

export type WorkPlan =
  BarrelPlan | BermPlan | CulvertPlan | DrainPlan | PavedBedPlan | PumpPlan | StoneDrainPlan | StorePlan | SwalePlan;

export type WorkKind = WorkPlan['kind'];
export type WorkOf<K extends WorkKind> = Extract<WorkPlan, { kind: K }>;
