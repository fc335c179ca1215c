/** What a session shows, and what it needs from around it. */
import type { Job } from '@katabasis/core';
import type { Api } from './api';
import type { Collision } from './merging/mergeWaiting';
import type { Differing } from './undo/steps';
import type { DeviceStore, Pending } from './device/stored';

/** Why a change is held on its page: the device has no room, could not write, keeps nothing of this job, or nothing at all. */
export type Held = 'full' | 'failed' | 'unread' | 'nothing';

/** What stands between this device and the server. */
export type Keeping =
  | { state: 'kept' }
  | { state: 'sending' }
  /** `why`: what the server said; null when nobody answered. `held`: why it is on this page only; null where the device keeps it. */
  | { state: 'waiting'; count: number; held: Held | null; why: string | null }
  /** `collisions`: what both changed, and not alike. */
  | { state: 'conflict'; label: string; collisions: Collision[] }
  /** `gone`: the job itself was taken out. */
  | { state: 'refused'; label: string; sentence: string; gone: boolean };

/** A step that cannot be taken back without taking back what somebody else has done since. */
export interface Asking {
  word: 'Undo' | 'Redo';
  label: string;
  differing: readonly Differing[];
}

export interface SessionView {
  /** Null until the job has been read once. */
  job: Job | null;
  keeping: Keeping;
  /** Whether the device keeps nothing of the job, as what it keeps could not be read. */
  keepsNothing: boolean;
  undoLabel: string | null;
  redoLabel: string | null;
  asking: Asking | null;
}

/** What one page of this device says to the others about a job. */
export type PageNews =
  | { news: 'made'; pending: Pending }
  | { news: 'done'; done: Pending; versions: Readonly<Record<string, number>>; seq: number }
  | { news: 'other' };

export interface SessionNeeds {
  store: DeviceStore;
  api: Api;
  newId: (stem: string) => string;
  /** Tells other pages of this device. */
  tellPages: (news: PageNews) => void;
  /** Called when the server has taken something in. */
  onSaved: () => void;
  /** Does something while no other page of this device does the same for the job. */
  alone?: (work: () => Promise<void>) => Promise<void>;
  /** Comes once what was last changed is on the screen; nothing is sent before. */
  painted?: () => Promise<void>;
  /** Called when the server is known to have more than this page has seen. */
  onBehind: () => void;
}
