/** What one tool of the yard is: what a tap does with it, what is drawn of what was begun, and what stands under the plan. */
import type { Change, Job, Place, Plan, UnitSystem } from '@katabasis/core';
import type { ReactNode } from 'react';
import type { PlanHandle } from '../../../drawing/yard/GroundPlan';
import type { Draft } from '../../../drawing/yard/OverPlan';
import type { Snapped } from '../../../drawing/yard/snap';
import type { Begun, PaceDraft } from '../doing';
import type { Tool } from './tool';

/** What a tool has to work with. */
export interface Board {
  /** The job as made, and its plan. */
  job: Job;
  plan: Plan;
  units: UnitSystem;
  /** What was begun with this tool and is not made yet. */
  begun: Begun;
  /** Goes on with that; and forgets it. */
  begin: (next: Partial<Begun>) => void;
  forget: () => void;
  /** A walk round a house, which outlives the tool. */
  pace: PaceDraft;
  setPace: (next: (now: PaceDraft) => PaceDraft) => void;
  /** What is said of the last tap, a place that is pointed at, and a way that is shown. */
  wrong: string | null;
  mark: Place | null;
  show: (next: { wrong?: string | null; mark?: Place | null; route?: readonly Place[] | null }) => void;
  /** Brings a place to the middle of the plan. */
  look: (place: Place) => void;
  /** Middle of what is there. */
  middle: Place;
  /** Makes a change and takes up what it made, or says why not. */
  made: (change: Change, next: string | null) => void;
  choose: (id: string | null) => void;
  close: () => void;
}

export type PlanRef = { current: PlanHandle | null };

export interface ToolEntry<T extends Tool> {
  /** Whether a tap puts something down, rather than choosing what is there. */
  puts: (tool: T, board: Board) => boolean;
  onPut?: (tool: T, board: Board, at: Snapped) => void;
  /** What is drawn over the plan of what was begun; a place that is pointed at where this gives nothing. */
  draft?: (tool: T, board: Board) => Draft | null;
  /** What stands under the plan; null where the list of tools does. */
  foot: (tool: T, board: Board) => ReactNode;
  /** Whether that is a sheet, which stands beside the plan on a wide screen, rather than a line of words under it. */
  isSheet: (tool: T, board: Board) => boolean;
}

/** The entry of a tool that has a sheet, and with which a tap puts nothing down. */
export const sheet = <T extends Tool>(foot: ToolEntry<T>['foot']): ToolEntry<T> => ({
  puts: () => false,
  foot,
  isSheet: () => true,
});
