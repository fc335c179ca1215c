/** Fingers, a wheel and keys over the plan: what they do to what is seen, and to what lies there. */
import type { Place } from '@katabasis/core';
import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent, type RefObject } from 'react';
import { isBounce, type Touch } from '../../ui/bounce';
import { fingersMove, IDLE, type Act, type FingerEvent, type Gesture, type Holds } from './gesture';
import { thingAt } from './hit';
import type { Aim } from './OverPlan';
import type { Thing } from './scene';
import { snapTo, type Snapped } from './snap';
import type { PlanView } from './usePlanView';
import { fitted, panned, placeAt, spotOf, zoomed, type Spot, type Viewport } from './viewport';

/** A thumb's reach for a corner, px. */
const REACH = 24;
/** px that something put down is drawn to what is near. */
const SNAP = 16;

/** What a finger does: `look` moves the plan and taps; `put` puts places down, where it is let go. */
export type Doing = 'look' | 'put';

export interface FingersOn {
  doing: Doing;
  things: readonly Thing[];
  chosen: string | null;
  /** Places that were put down before, which the next is drawn to. */
  before: readonly Place[];
  /** Corners of the chosen thing that a finger can move. */
  handles: readonly Place[];
  /** Where a finger takes hold of all of it; null of what is moved by its corners alone. */
  grip: Place | null;
  extent: readonly Place[];
  onTap: (thing: Thing | null, place: Place) => void;
  onPut: (snapped: Snapped) => void;
  onHandle: (corner: number, place: Place, done: boolean) => void;
  /** How far the whole is moved, m. */
  onGrip: ((by: Place, done: boolean) => void) | undefined;
  /** A move is called off before it is done: a second finger, or the system's own doing. */
  onLetGo: () => void;
}

/** What a finger comes down on: a corner that it can move, all of what is chosen, or the plan. */
function heldAt({ handles, grip }: FingersOn, now: Viewport, spot: Spot): Holds {
  const away = (place: Place): number => {
    const at = spotOf(now, place);
    return Math.hypot(at.x - spot.x, at.y - spot.y);
  };
  const corner = handles.findIndex((place) => away(place) <= REACH);
  if (corner >= 0) return { what: 'corner', corner };
  return { what: grip && away(grip) <= REACH ? 'whole' : 'plan' };
}

/** Where a wheel and a finger are over the plan, px from its corner. */
const spotIn = (host: Element, { clientX, clientY }: { clientX: number; clientY: number }): Spot => {
  const { left, top } = host.getBoundingClientRect();
  return { x: clientX - left, y: clientY - top };
};

export type Aimed = Aim & { view: Viewport };

/** Has a wheel turn the plan larger and smaller; gives what keys do to it. */
function useKeysAndWheel(
  host: RefObject<HTMLElement | null>,
  extent: readonly Place[],
  { seen, slide, settle, settleSoon }: PlanView,
): (event: KeyboardEvent) => void {
  useEffect(() => {
    const node = host.current;
    if (!node) return;
    const wheel = (event: WheelEvent): void => {
      event.preventDefault();
      const now = seen();
      if (!now) return;
      slide(zoomed(now, Math.exp(-event.deltaY * 0.0016), spotIn(node, event)));
      settleSoon();
    };
    node.addEventListener('wheel', wheel, { passive: false });
    return () => node.removeEventListener('wheel', wheel);
  }, [host, seen, slide, settleSoon]);
  return (event) => {
    const now = seen();
    if (!now || event.ctrlKey || event.metaKey || event.altKey) return;
    const by = { ArrowLeft: [60, 0], ArrowRight: [-60, 0], ArrowUp: [0, 60], ArrowDown: [0, -60] }[event.key];
    const middle = { x: now.width / 2, y: now.height / 2 };
    if (by) settle(panned(now, by[0]!, by[1]!));
    else if (event.key === '+' || event.key === '=') settle(zoomed(now, 1.25, middle));
    else if (event.key === '-') settle(zoomed(now, 0.8, middle));
    else if (event.key === '0') settle(fitted(extent, now.width, now.height, now.turn));
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
}

/** Does what fingers come to; gives what is aimed at, and to whom fingers are to be told. */
export function usePlanFingers(on: FingersOn, view: PlanView) {
  const { seen, slide, settle } = view;
  const [aim, setAim] = useState<Aimed | null>(null);
  const host = useRef<HTMLElement | null>(null);
  const fingers = useRef<{ gesture: Gesture; last: Touch | null }>({ gesture: IDLE, last: null });
  const { things, chosen, before } = on;

  const snapped = (now: Viewport, spot: Spot, not?: string): Snapped =>
    snapTo(placeAt(now, spot), { things, reach: SNAP / now.scale, ...(not ? { not } : { before: [...before] }) });

  const drag = ({ holds, from, to, done }: Extract<Act, { act: 'drag' }>, now: Viewport): void => {
    if (holds.what === 'corner') {
      const at = snapped(now, to, chosen ?? undefined);
      setAim(done ? null : { spot: to, snapped: at, view: now });
      return on.onHandle(holds.corner, at.place, done);
    }
    const [a, b] = [placeAt(now, from), placeAt(now, to)];
    on.onGrip?.({ east: b.east - a.east, north: b.north - a.north }, done);
  };
  const does = (act: Act, now: Viewport): void => {
    switch (act.act) {
      case 'aim':
        return setAim({ spot: act.at, snapped: snapped(now, act.at), view: now });
      case 'put':
        setAim(null);
        return on.onPut(snapped(now, act.at));
      case 'tap':
        return on.onTap(thingAt(now, things, act.at), placeAt(now, act.at));
      case 'pan':
        return slide(panned(now, act.by.x, act.by.y));
      case 'zoom':
        return slide(zoomed(now, act.factor, act.about, act.turn));
      case 'drag':
        return drag(act, now);
      case 'letGo':
        setAim(null);
        return on.onLetGo();
      case 'settle':
        return settle(now);
    }
  };
  const happens = (event: FingerEvent): void => {
    const [next, acts] = fingersMove(fingers.current.gesture, event);
    fingers.current.gesture = next;
    for (const act of acts) {
      const now = seen();
      if (now) does(act, now);
    }
  };

  const onPointerDown = (event: PointerEvent): void => {
    const now = seen();
    if (!now) return;
    const at = spotIn(host.current!, event);
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    const aims = on.doing === 'put' && event.button !== 1;
    const holds: Holds = on.doing === 'look' ? heldAt(on, now, at) : { what: aims ? 'aim' : 'plan' };
    happens({ type: 'down', id: event.pointerId, at, holds });
  };
  const onPointerMove = (event: PointerEvent): void =>
    happens({ type: 'move', id: event.pointerId, at: spotIn(host.current!, event) });
  const onPointerUp = (event: PointerEvent): void => {
    const { gesture, last } = fingers.current;
    const touch =
      gesture.state === 'idle' || gesture.state === 'pinching' ? null : { ...gesture.start, at: event.timeStamp };
    if (touch) fingers.current.last = touch;
    happens({ type: 'up', id: event.pointerId, bounced: touch !== null && isBounce(last, touch) });
  };
  const onPointerCancel = (event: PointerEvent): void => happens({ type: 'cancel', id: event.pointerId });

  const onKeyDown = useKeysAndWheel(host, on.extent, view);

  return { aim, host, handlers: { onPointerDown, onPointerMove, onPointerUp, onPointerCancel, onKeyDown } };
}
