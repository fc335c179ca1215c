/** The one drag: a thing under a finger, by how far it has gone from where it was taken hold of. */
import { useRef, type PointerEvent as ReactPointerEvent } from 'react';

/** px a finger may wander before a tap becomes a drag. */
const SLACK = 5;

export interface Drag<T> {
  /** What is taken hold of, remembered until it is let go. */
  grip: () => T;
  /** Moved by (dx, dy) px in all. */
  onMove: (taken: T, dx: number, dy: number) => void;
  /** Let go; `moved` tells a drag from a tap. */
  onDrop: (taken: T, moved: boolean) => void;
}

type Handlers = Record<
  'onPointerDown' | 'onPointerMove' | 'onPointerUp' | 'onPointerCancel',
  (event: ReactPointerEvent) => void
>;

/** Pointer handlers of one handle. The pointer is captured, so that the drag goes on wherever it leads; a call-off drops it where it is. */
export function useDrag<T>({ grip, onMove, onDrop }: Drag<T>): Handlers {
  const state = useRef<{ taken: T; x: number; y: number; moved: boolean } | null>(null);
  const drop = (tapCounts: boolean): void => {
    const now = state.current;
    state.current = null;
    if (now && (now.moved || tapCounts)) onDrop(now.taken, now.moved);
  };
  return {
    onPointerDown: (event) => {
      (event.currentTarget as Element & { setPointerCapture(id: number): void }).setPointerCapture(event.pointerId);
      state.current = { taken: grip(), x: event.clientX, y: event.clientY, moved: false };
    },
    onPointerMove: (event) => {
      const now = state.current;
      if (!now) return;
      const [dx, dy] = [event.clientX - now.x, event.clientY - now.y];
      if (!now.moved && Math.hypot(dx, dy) < SLACK) return;
      now.moved = true;
      onMove(now.taken, dx, dy);
    },
    onPointerUp: () => drop(true),
    onPointerCancel: () => drop(false),
  };
}
