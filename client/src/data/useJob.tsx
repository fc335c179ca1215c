/** The open job for every screen below: the job, its plan, and how to change it. */
import { headOf, planJob, type Change, type Job, type Plan, type UnitSystem } from '@katabasis/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { createContext, useContext, useEffect, useMemo, useSyncExternalStore, type ReactNode } from 'react';
import { api, Refused } from './api';
import type { Session, SessionView } from './session';
import { jobKey, sessionOf } from './sessions';

export interface OpenJob {
  /** As shown: with what is under the finger. */
  job: Job;
  plan: Plan;
  units: UnitSystem;
  /** Makes a change; gives a sentence when it could not be saved, and null when it is made. */
  edit: (change: Change) => string | null;
  /** Shows a change without making it; null takes it off. */
  preview: (change: Change | null) => void;
  session: SessionView & Pick<Session, 'id' | 'flush' | 'resolve' | 'dropRefused' | 'undo' | 'redo'>;
}

export type Opening = { state: 'open'; open: OpenJob } | { state: 'loading' | 'missing' } | { state: 'unreachable'; retry: () => void };

/** Opens a job from the server, from what was put by, or from what was begun here. */
export function useOpenJob(id: string): Opening {
  const client = useQueryClient();
  const session = sessionOf(id, client);
  const view = useSyncExternalStore(session.subscribe, session.getView);
  const query = useQuery({ queryKey: jobKey(id), queryFn: () => api.job(id) });
  const { data, error, refetch } = query;
  useEffect(() => {
    if (data) session.take(data);
  }, [data, session]);
  const plan = useMemo(() => (view.shown ? planJob(view.shown) : null), [view.shown]);
  const open = useMemo((): OpenJob | null => {
    if (!view.shown || !plan) return null;
    return {
      job: view.shown, plan, units: headOf(view.shown).units,
      edit: (change) => session.edit(change), preview: (change) => session.preview(change),
      session: {
        ...view, id, flush: () => session.flush(), resolve: (side) => session.resolve(side), dropRefused: () => session.dropRefused(), undo: () => session.undo(), redo: () => session.redo(),
      },
    };
  }, [view, plan, session, id]);
  if (open && !(error instanceof Refused && error.problem.status === 404 && view.keeping.state === 'kept')) return { state: 'open', open };
  if (error instanceof Refused) return { state: 'missing' };
  if (error) return { state: 'unreachable', retry: () => void refetch() };
  return { state: 'loading' };
}

const OpenJobContext = createContext<OpenJob | null>(null);

export function JobProvider({ open, children }: { open: OpenJob; children: ReactNode }) {
  return <OpenJobContext.Provider value={open}>{children}</OpenJobContext.Provider>;
}

export function useJob(): OpenJob {
  const open = useContext(OpenJobContext);
  if (!open) throw new Error('useJob is for screens of an open job.');
  return open;
}
