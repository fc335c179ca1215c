/** The same open job, which can be held as it is for those who look at it through this, while it goes on for all others. */
import type { OpenJob, Planned } from '../planning/useJob';

export function pausable(fresh: Planned): { fresh: Planned; planned: Planned; hold: (open: OpenJob | null) => void } {
  const listeners = new Set<() => void>();
  let held: OpenJob | null = null;
  let deaf: (() => void) | null = null;
  const tell = (): void => {
    for (const listener of listeners) listener();
  };
  const subscribe = (listener: () => void): (() => void) => {
    listeners.add(listener);
    deaf ??= fresh.subscribe(() => {
      if (held === null) tell();
    });
    return () => {
      listeners.delete(listener);
      if (listeners.size > 0) return;
      deaf?.();
      deaf = null;
    };
  };
  return {
    fresh,
    planned: {
      ...fresh,
      fresh,
      subscribe,
      kept: () => held ?? fresh.kept(),
      shown: () => held ?? fresh.shown(),
    },
    /** Null lets it go on. */
    hold: (open) => {
      held = open;
      tell();
    },
  };
}
