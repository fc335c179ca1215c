/** The one drag: a thing under a finger, by how far it has gone from where it was taken hold of. */
import { useEffect, useRef, useState, type PointerEvent as ReactPointerEvent, type RefObject } from 'react';
import { SLACK } from '../theme/tokens';

/** How long a finger must rest before it has taken hold, ms. */
const HOLD_MS = 280;

export interface Drag<T> {
  /** What is taken hold of, remembered until it is let go. */
  grip: () => T;
  /** Moved by (dx, dy) px in all. */
  onMove: (taken: T, dx: number, dy: number) => void;
  /** Let go; `moved` tells a drag from a tap. */
  onDrop: (taken: T, moved: boolean) => void;
  /** A finger takes hold only by resting first, so that a swipe over the thing scrolls the page; a mouse takes hold at once. */
  afterHold?: boolean;
}

type Handlers = Record<
  'onPointerDown' | 'onPointerMove' | 'onPointerUp' | 'onPointerCancel',
  (event: ReactPointerEvent) => void
>;

interface State<T> {
  taken: T;
  x: number;
  y: number;
  moved: boolean;
  held: boolean;
  timer: ReturnType<typeof setTimeout> | undefined;
}

export interface Dragged {
  /** For the handle: keeps the page from scrolling once it is held. */
  ref: RefObject<HTMLElement | null>;
  handlers: Handlers;
  /** A finger has taken hold. */
  held: boolean;
}

/** Pointer handlers of one handle. The pointer is captured, so that the drag goes on wherever it leads; a call-off drops it where it is. */
export function useDrag<T>({ grip, onMove, onDrop, afterHold = false }: Drag<T>): Dragged {
  const ref = useRef<HTMLElement | null>(null);
  const state = useRef<State<T> | null>(null);
  const [held, setHeld] = useState(false);
  const drop = (tapCounts: boolean): void => {
    const now = state.current;
    state.current = null;
    setHeld(false);
    if (!now) return;
    clearTimeout(now.timer);
    if (now.moved || tapCounts) onDrop(now.taken, now.moved);
  };
  useEffect(() => {
    const handle = ref.current;
    if (!afterHold || !handle) return;
    // The browser asks once, at the first move of a finger, whether this may scroll.
    const keepStill = (event: TouchEvent): void => {
      if (state.current?.held && event.cancelable) event.preventDefault();
    };
    handle.addEventListener('touchmove', keepStill, { passive: false });
    return () => handle.removeEventListener('touchmove', keepStill);
  }, [afterHold]);
  const handlers: Handlers = {
    onPointerDown: (event) => {
      const waits = afterHold && event.pointerType === 'touch';
      const capture = event.currentTarget as Element & { setPointerCapture(id: number): void };
      const { pointerId } = event;
      const take = (): void => {
        if (state.current) state.current.held = true;
        capture.setPointerCapture(pointerId);
        if (waits) setHeld(true);
      };
      state.current = {
        taken: grip(),
        x: event.clientX,
        y: event.clientY,
        moved: false,
        held: false,
        timer: undefined,
      };
      if (waits) state.current.timer = setTimeout(take, HOLD_MS);
      else take();
    },
    onPointerMove: (event) => {
      const now = state.current;
      if (!now) return;
      const [dx, dy] = [event.clientX - now.x, event.clientY - now.y];
      if (!now.moved && Math.hypot(dx, dy) < SLACK) return;
      // Gone before it was held: a swipe, which is the page's.
      if (!now.held) return drop(false);
      now.moved = true;
      onMove(now.taken, dx, dy);
    },
    onPointerUp: () => drop(true),
    onPointerCancel: () => drop(false),
  };
  return { ref, handlers, held };
}
