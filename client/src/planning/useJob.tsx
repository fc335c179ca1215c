/**
 * The open job for the screens below. `useJob` gives the job as made, which stands still while a finger moves; `usePreview` the job as
 * shown, with what is under the finger; `usePreviewOf` picks out of that only what a part draws, and has it drawn again only when that
 * changes.
 */
import {
  applyChange,
  headOf,
  put,
  type Change,
  type Element,
  type Job,
  type Plan,
  type UnitSystem,
} from '@katabasis/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { createContext, use, useEffect, useMemo, useSyncExternalStore, type ReactNode } from 'react';
import { useSyncExternalStoreWithSelector } from 'use-sync-external-store/with-selector';
import { api } from '../sync/api';
import { Refused } from '../sync/ask';
import { faultOf } from '../sync/faultOf';
import { isPlannedHere, planAway, planHere } from './planner';
import type { SessionView } from '../sync/keeping';
import type { Session } from '../sync/session';
import { jobKey } from '../sync/keys';
import { sessionOf } from '../sync/sessions';

export interface OpenJob {
  job: Job;
  plan: Plan;
  units: UnitSystem;
  /** Makes a change; gives a sentence when it could not be saved, and null when it is made. */
  edit: (change: Change) => string | null;
  /** Shows a change without making it; null takes it off. */
  preview: (change: Change | null) => void;
}

export type OpenSession = Pick<SessionView, 'keeping' | 'keepsNothing' | 'undoLabel' | 'redoLabel' | 'asking'> & {
  session: Session;
};

/** A session's job with its plan, each planned once for each state of the job. */
export interface Planned {
  session: Session;
  subscribe: (listener: () => void) => () => void;
  /** The job as made, and as shown; null until a first plan is there. A large job's plan comes a moment after the job: both change together. */
  made: () => OpenJob | null;
  previewed: () => OpenJob | null;
  /** That which is not behind, where this one may be. */
  latest?: Planned;
}

const MOVED_ON = 'The last change is still being worked out; try again.';

function plannedOf(session: Session): Planned {
  const listeners = new Set<() => void>();
  const tell = (): void => {
    for (const listener of listeners) listener();
  };
  /** Makes a change that was thought out on `seen`: not where the same elements have changed since. */
  const editOn = (seen: Job, change: Change): string | null => {
    const { job } = session.view;
    const touched = [...change.puts.map(({ id }) => id), ...change.removes];
    const moved = job !== seen && touched.some((id) => job?.elements.get(id) !== seen.elements.get(id));
    return moved ? MOVED_ON : session.edit(change);
  };
  /** `made`: the job as made when this one was asked for; under a finger they differ. */
  const open = (job: Job, plan: Plan, made: Job): OpenJob => ({
    job,
    plan,
    units: headOf(job).units,
    edit: (change) => editOn(made, change),
    preview: (change) => session.preview(change),
  });
  const following = (look: () => Job | null, other?: () => OpenJob | null): (() => OpenJob | null) => {
    let last: OpenJob | null = null;
    let asked: Job | null = null;
    const away = (job: Job): void => {
      if (asked) return;
      asked = job;
      const made = session.view.job!;
      void planAway(job).then((plan) => {
        asked = null;
        last = open(job, plan, made);
        tell();
      });
    };
    return () => {
      const job = look();
      if (job === null) last = null;
      else if (last?.job !== job) {
        const same = other?.();
        if (same?.job === job) last = same;
        else if (isPlannedHere(job)) last = open(job, planHere(job), session.view.job!);
        else away(job);
      }
      return last;
    };
  };
  session.subscribe(tell);
  const subscribe = (listener: () => void): (() => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  };
  const made = following(() => session.view.job);
  return { session, subscribe, made, previewed: following(() => session.shown, made) };
}

const planned = new WeakMap<Session, Planned>();

/** A session's job with its plan; the same for as long as the session lives. */
export function plannedFor(session: Session): Planned {
  const known = planned.get(session) ?? plannedOf(session);
  planned.set(session, known);
  return known;
}

export type Opening =
  | { state: 'open'; planned: Planned }
  | { state: 'loading' | 'missing' }
  | { state: 'unreadable'; sentence: string }
  | { state: 'unreachable'; error: Error; retry: () => void };

/** Opens a job from the server, from what was put by, or from what was begun here. */
export function useOpenJob(id: string): Opening {
  const client = useQueryClient();
  const session = sessionOf(id, client);
  const planned = plannedFor(session);
  useSyncExternalStore(planned.subscribe, planned.made);
  const { keeping } = useSyncExternalStore(session.subscribe, () => session.view);
  const { data, error, refetch } = useQuery({ queryKey: jobKey(id), queryFn: () => api.job(id) });
  useEffect(() => {
    if (data) session.take(data);
  }, [data, session]);
  const gone = error instanceof Refused && error.problem.status === 404 && keeping.state === 'kept';
  if (planned.made() && !gone) return { state: 'open', planned };
  if (error instanceof Refused)
    return error.problem.status === 404 ? { state: 'missing' } : { state: 'unreadable', sentence: error.problem.title };
  if (error) return { state: 'unreachable', error, retry: () => void refetch() };
  return { state: 'loading' };
}

export const PlannedContext = createContext<Planned | null>(null);

export function JobProvider({ planned: value, children }: { planned: Planned; children: ReactNode }) {
  return <PlannedContext value={value}>{children}</PlannedContext>;
}

export function usePlanned(): Planned {
  const value = use(PlannedContext);
  if (value === null) throw new Error('This is for screens of an open job.');
  return value;
}

/**
 * The open job with one thing more, which is not in it yet: edits of that thing go to `take`, any other to the job. For what is put
 * together before it is put in.
 */
export function WithDraft({
  draft,
  take,
  children,
}: {
  draft: Element;
  take: (draft: Element) => void;
  children: ReactNode;
}) {
  const { session } = usePlanned();
  const open = useJob();
  const value = useMemo((): Planned => {
    const { job } = applyChange(open.job, put('Put it in', draft));
    const edit = (change: Change): string | null => {
      const others = { ...change, puts: change.puts.filter(({ id }) => id !== draft.id) };
      const next = change.puts.find(({ id }) => id === draft.id);
      const wrong = faultOf(job, change);
      if (wrong !== null) return wrong;
      if (next) take(next);
      return others.puts.length + others.removes.length > 0 ? open.edit(others) : null;
    };
    const drafted: OpenJob = { job, plan: planHere(job), units: open.units, edit, preview: () => undefined };
    return { session, subscribe: () => () => undefined, made: () => drafted, previewed: () => drafted };
  }, [session, open, draft, take]);
  return <PlannedContext value={value}>{children}</PlannedContext>;
}

/** The job as it is at the moment it is asked for, for what is done and not drawn. */
export function useLatestJob(): () => OpenJob {
  const planned = usePlanned();
  return (planned.latest ?? planned).made as () => OpenJob;
}

/** What `select` picks out of the job as made; drawn again only when that changes. See `usePreviewOf` for what `select` must be. */
export function useJobPart<T extends object>(select: (made: OpenJob) => T): T {
  const { subscribe, made } = usePlanned();
  return useSyncExternalStoreWithSelector(subscribe, () => made()!, null, select, sameFields);
}

/** The job as made. */
export function useJob(): OpenJob {
  const { subscribe, made } = usePlanned();
  return useSyncExternalStore(subscribe, made)!;
}

/** The job as shown, with what is under the finger. */
export function usePreview(): OpenJob {
  const { subscribe, previewed } = usePlanned();
  return useSyncExternalStore(subscribe, previewed)!;
}

/**
 * What `select` picks out of the job as shown. `select` must be pure and stay the same function from drawing to drawing, and what it
 * gives flat: it is compared field by field.
 */
export function usePreviewOf<T extends object>(select: (shown: OpenJob) => T): T {
  const { subscribe, previewed } = usePlanned();
  return useSyncExternalStoreWithSelector(subscribe, () => previewed()!, null, select, sameFields);
}

function sameFields<T extends object>(a: T, b: T): boolean {
  const keys = Object.keys(a) as (keyof T)[];
  return keys.length === Object.keys(b).length && keys.every((key) => Object.is(a[key], b[key]));
}

/** Undo, redo, and what stands between this device and the server. */
export function useSession(): OpenSession {
  const { session } = usePlanned();
  const { keeping, keepsNothing, undoLabel, redoLabel, asking } = useSyncExternalStore(
    session.subscribe,
    () => session.view,
  );
  return useMemo(
    () => ({ session, keeping, keepsNothing, undoLabel, redoLabel, asking }),
    [session, keeping, keepsNothing, undoLabel, redoLabel, asking],
  );
}
