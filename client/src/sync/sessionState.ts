/** One job as it is worked on here, as a value: what is known of it, what happens to it, and what is then to be done. */
import type { Beside, Change, Conflict, Job, JobReply } from '@katabasis/core';
import type { Asking, PageNews } from './keeping';
import type { Side } from './merging/mergeFields';
import { NO_STEPS, type Stacks } from './undo/stacks';
import type { Head, Pending, Step, StoredJob, Versioned } from './device/stored';

/** What is known of a job in whatever state. Never altered in place. */
export interface Known {
  readonly id: string;
  /** The server's state as last known, by id; its number −1 for a job that it has not got. */
  readonly base: ReadonlyMap<string, Versioned>;
  readonly seq: number;
  /** The server's epoch that this is from; none known of what was kept before epochs were told. */
  readonly epoch: string;
  /** When the job was first on the server, by its clock. */
  readonly createdAt: string | null;
  /** Whether the server is of another epoch now: nothing is sent before what is known here was laid beside what it has. */
  readonly lagging: boolean;
  /** Whether the job was made here and is not on the server yet. */
  readonly unsent: boolean;
  /** Changes that the server has not got, oldest first. */
  readonly waiting: readonly Pending[];
  /** Ids of changes that found no room in the device's store. */
  readonly unstored: ReadonlySet<string>;
  /** Whether that was for want of room; else the device could not write. */
  readonly isFull: boolean;
  /** The job as made; null until it has been read once. */
  readonly job: Job | null;
  /** The job as it was a few steps ago: what comes back is the very object, so that nothing of it is worked out anew. */
  readonly recent: readonly Job[];
  readonly stacks: Stacks;
  readonly asking: Asking | null;
  /** Laid over the job and not made yet: a landing under the finger. */
  readonly previewed: Change | null;
  /** Whether the last try came to nothing, and what was said then. */
  readonly unreached: { readonly why: string | null; readonly times: number } | null;
  /** Whether the device keeps anything of it: not where what it keeps could not be read. */
  readonly kept: boolean;
}

/** Somebody else changed the same meanwhile: nothing is sent before it is said whose stands. */
interface Conflicted {
  state: 'conflicted';
  label: string;
  conflicts: Conflict[];
}

/** The server will not take a change. `gone`: the job itself was taken out. */
interface RefusedChange {
  state: 'refused';
  label: string;
  sentence: string;
  gone: boolean;
}

/**
 * `unread`: what the device keeps of it has not been read, and nothing can be made, as what waits already comes first. `unreadable`: it
 * could not be, and the job is worked on as the server has it.
 */
export type SessionState = Known & ({ state: 'unread' | 'open' | 'unreadable' } | Conflicted | RefusedChange);

export type SessionEvent =
  | { event: 'begun'; stored: StoredJob }
  | { event: 'stored'; stored: StoredJob | null; known: ReadonlySet<string> }
  | { event: 'unreadable' }
  | { event: 'replied'; reply: JobReply }
  | { event: 'news'; news: PageNews }
  | { event: 'made'; change: Change; id: string }
  | { event: 'stepped'; word: 'Undo' | 'Redo'; anyway: boolean; id: string }
  | { event: 'stepLeft' }
  | { event: 'previewed'; change: Change | null }
  | { event: 'created'; reply: JobReply }
  /** The server has a job of that id that is not as it began here. */
  | { event: 'createdElsewhere' }
  | { event: 'lagged' }
  /** `id`: stem of the ids of what is sent again. */
  | { event: 'compared'; beside: Beside; id: string }
  | { event: 'sent'; head: Pending; versions: Readonly<Record<string, number>>; seq: number; epoch: string }
  /** `seq`: how far the job was known when it was sent. */
  | { event: 'conflicted'; conflicts: Conflict[]; label: string; seq: number; epoch: string }
  | { event: 'refused'; sentence: string; gone: boolean; label: string }
  | { event: 'unreached'; why: string | null }
  | { event: 'resolved'; side: Side }
  | { event: 'broughtBack' }
  | { event: 'refusedDropped' }
  | { event: 'roomFound'; changes: readonly string[] }
  | { event: 'noRoom'; changes: readonly string[]; isFull: boolean };

export type Effect =
  | { effect: 'keep'; step: Step }
  | { effect: 'replace'; head: Head; elements: readonly Versioned[] }
  | { effect: 'read' | 'send' | 'saved' | 'behind' | 'compare' }
  | { effect: 'sendAgain'; after: number }
  | { effect: 'tell'; news: PageNews };

export interface Reduced {
  state: SessionState;
  effects: readonly Effect[];
  /** What is wrong with what was to be made, in a sentence; null where nothing is. */
  said?: string | null;
}

export const unread = (id: string): SessionState => ({
  state: 'unread',
  id,
  base: new Map(),
  seq: -1,
  epoch: '',
  createdAt: null,
  lagging: false,
  unsent: false,
  waiting: [],
  unstored: new Set(),
  isFull: false,
  job: null,
  recent: [],
  stacks: NO_STEPS,
  asking: null,
  previewed: null,
  unreached: null,
  kept: true,
});

/** Changes, and the job itself where it was made here, that the server has not got. */
export const countWaiting = ({ waiting, unsent }: Known): number => waiting.length + (unsent ? 1 : 0);

/** Whether there is something to be sent, and nothing that stops it. */
export const canSend = (state: SessionState): boolean =>
  state.state !== 'conflicted' && state.state !== 'refused' && !state.lagging && countWaiting(state) > 0;

/** What the device keeps of the job as a whole. */
export const headKept = ({ seq, unsent, epoch, createdAt }: Known): Head => ({ seq, unsent, epoch, createdAt });

export const nothing = (state: SessionState): Reduced => ({ state, effects: [] });

export const TELL_OTHERS: Effect = { effect: 'tell', news: { news: 'other' } };
export const SEND: Effect = { effect: 'send' };

/** As it is when nothing stops it: what a device could not read stays unread. */
export const going = (state: SessionState): SessionState => ({ ...state, state: state.kept ? 'open' : 'unreadable' });
