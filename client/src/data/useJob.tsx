/**
 * The open job for the screens below. `useKept` gives the job as made, which stands still while a finger moves; `useJob` the job as
 * shown, with what is under the finger; `useShown` picks out of that only what a part draws, and has it drawn again only when that
 * changes.
 */
import { headOf, planJob, type Change, type Job, type Plan, type UnitSystem } from '@katabasis/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { createContext, use, useEffect, useMemo, useState, useSyncExternalStore, type ReactNode } from 'react';
import { api, Refused } from './api';
import type { Session, SessionView } from './session';
import { jobKey, sessionOf } from './sessions';
import { notAnyMore, soon } from './spread';

export interface OpenJob {
  job: Job;
  plan: Plan;
  units: UnitSystem;
  /** Makes a change; gives a sentence when it could not be saved, and null when it is made. */
  edit: (change: Change) => string | null;
  /** Shows a change without making it; null takes it off. */
  preview: (change: Change | null) => void;
}

export type OpenSession = Pick<SessionView, 'keeping' | 'undoLabel' | 'redoLabel'> & { session: Session };

/** A session's job with its plan, each planned once for each state of the job. */
interface Planned {
  session: Session;
  kept: () => OpenJob | null;
  shown: () => OpenJob | null;
}

function plannedOf(session: Session): Planned {
  const open = (job: Job): OpenJob => ({
    job,
    plan: planJob(job),
    units: headOf(job).units,
    edit: (change) => session.edit(change),
    preview: (change) => session.preview(change),
  });
  const once = (look: () => Job | null, other?: () => OpenJob | null): (() => OpenJob | null) => {
    let last: OpenJob | null = null;
    return () => {
      const job = look();
      if (job === null) last = null;
      else if (last?.job !== job) last = other?.()?.job === job ? other() : open(job);
      return last;
    };
  };
  const kept = once(() => session.view.job);
  return { session, kept, shown: once(() => session.shown, kept) };
}

const planned = new WeakMap<Session, Planned>();

/** A session's job with its plan; the same for as long as the session lives. */
export function plannedFor(session: Session): Planned {
  const known = planned.get(session) ?? plannedOf(session);
  planned.set(session, known);
  return known;
}

export type Opening =
  { state: 'open'; planned: Planned } | { state: 'loading' | 'missing' } | { state: 'unreachable'; retry: () => void };

/** Opens a job from the server, from what was put by, or from what was begun here. */
export function useOpenJob(id: string): Opening {
  const client = useQueryClient();
  const session = sessionOf(id, client);
  const { job, keeping } = useSyncExternalStore(session.subscribe, () => session.view);
  const { data, error, refetch } = useQuery({ queryKey: jobKey(id), queryFn: () => api.job(id) });
  useEffect(() => {
    if (data) session.take(data);
  }, [data, session]);
  const gone = error instanceof Refused && error.problem.status === 404 && keeping.state === 'kept';
  if (job && !gone) return { state: 'open', planned: plannedFor(session) };
  if (error instanceof Refused) return { state: 'missing' };
  if (error) return { state: 'unreachable', retry: () => void refetch() };
  return { state: 'loading' };
}

const PlannedContext = createContext<Planned | null>(null);

export function JobProvider({ planned: value, children }: { planned: Planned; children: ReactNode }) {
  return <PlannedContext value={value}>{children}</PlannedContext>;
}

function usePlanned(): Planned {
  const value = use(PlannedContext);
  if (value === null) throw new Error('This is for screens of an open job.');
  return value;
}

/** The job as made. */
export function useKept(): OpenJob {
  const { session, kept } = usePlanned();
  return useSyncExternalStore(session.subscribe, kept)!;
}

/** The job as shown, with what is under the finger. */
export function useJob(): OpenJob {
  const { session, shown } = usePlanned();
  return useSyncExternalStore(session.subscribe, shown)!;
}

/**
 * The job as shown, for a drawing that may lag behind the finger until it has rested for `rest` ms: nothing is worked out or drawn
 * for it before.
 */
export function useRested(rest: number): OpenJob {
  const { session, shown } = usePlanned();
  const made = useKept();
  const [rested, setRested] = useState<OpenJob | null>(null);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const unsubscribe = session.subscribe(() => {
      clearTimeout(timer);
      if (session.moving) timer = setTimeout(() => setRested(shown()), rest);
      else setRested(null);
    });
    return () => {
      clearTimeout(timer);
      unsubscribe();
    };
  }, [session, shown, rest]);
  return rested ?? made;
}

/**
 * What `select` picks out of the job as shown. `select` must be pure and stay the same function from drawing to drawing, and what it
 * gives flat: it is compared field by field.
 */
export function useShown<T extends object>(select: (shown: OpenJob) => T): T {
  const { session, shown } = usePlanned();
  const { pick, subscribe } = useMemo(() => {
    const pick = pickerOf(() => shown()!, select);
    return { pick, subscribe: (draw: () => void) => spread(session, pick, draw) };
  }, [session, select, shown]);
  return useSyncExternalStore(subscribe, pick);
}

/** Has a part drawn at once when a change was made, and in one of the next frames while a finger moves. */
function spread(session: Session, pick: () => object, draw: () => void): () => void {
  let drawn = pick();
  const part = (): void => {
    const next = pick();
    if (next === drawn) return;
    drawn = next;
    draw();
  };
  const unsubscribe = session.subscribe(() => (session.moving ? soon(part) : part()));
  return () => {
    unsubscribe();
    notAnyMore(part);
  };
}

/** Picks anew only when the job is another, and gives the last picking again when it came out the same. */
function pickerOf<T extends object>(look: () => OpenJob, select: (shown: OpenJob) => T): () => T {
  let from: OpenJob | null = null;
  let picked: T | null = null;
  return () => {
    const open = look();
    if (open === from && picked !== null) return picked;
    const next = select(open);
    from = open;
    picked = picked !== null && sameFields(picked, next) ? picked : next;
    return picked;
  };
}

function sameFields<T extends object>(a: T, b: T): boolean {
  const keys = Object.keys(a) as (keyof T)[];
  return keys.length === Object.keys(b).length && keys.every((key) => Object.is(a[key], b[key]));
}

/** Undo, redo, and what stands between this device and the server. */
export function useSession(): OpenSession {
  const { session } = usePlanned();
  const { keeping, undoLabel, redoLabel } = useSyncExternalStore(session.subscribe, () => session.view);
  return useMemo(() => ({ session, keeping, undoLabel, redoLabel }), [session, keeping, undoLabel, redoLabel]);
}
