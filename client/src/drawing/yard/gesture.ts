/**
 * What fingers on the plan are doing, as one state, and what comes of each of their movements. One finger moves the plan, or what it
 * took hold of, or aims where something is put down; two make the plan larger and turn it; a tap is a finger that hardly moved. Pure.
 *
 *   idle ──down──▶ pressed ──moved──▶ dragging ──up──▶ idle        a second finger, from pressed or dragging:
 *                     └───────up: a tap───────────────▶ idle       pinching, and what was held is let go
 */
import type { Spot } from './viewport';

/** px that a finger may wander in a tap. */
export const SLACK = 8;

/** What a finger came down on: the plan itself, a corner of what is chosen, all of it, or a place where something is to be put down. */
export type Holds = { what: 'plan' | 'whole' | 'aim' } | { what: 'corner'; corner: number };

export type Gesture =
  | { state: 'idle' }
  | { state: 'pressed' | 'dragging'; id: number; start: Spot; at: Spot; holds: Holds }
  | { state: 'pinching'; fingers: ReadonlyMap<number, Spot> };

export type FingerEvent =
  | { type: 'down'; id: number; at: Spot; holds: Holds }
  | { type: 'move'; id: number; at: Spot }
  /** `bounced`: a thumb that came down again before it had really left. */
  | { type: 'up'; id: number; bounced: boolean }
  | { type: 'cancel'; id: number };

export type Act =
  | { act: 'aim'; at: Spot }
  | { act: 'put' | 'tap'; at: Spot }
  | { act: 'pan'; by: Spot }
  | { act: 'zoom'; factor: number; about: Spot; turn: number }
  /** What is held is so far from where it was taken hold of; `done` once it is let go there. */
  | { act: 'drag'; holds: Holds; from: Spot; to: Spot; done: boolean }
  /** What was held is where it was. */
  | { act: 'letGo' }
  | { act: 'settle' };

export const IDLE: Gesture = { state: 'idle' };

const isHeld = ({ what }: Holds): boolean => what === 'corner' || what === 'whole';
const stay = (gesture: Gesture): [Gesture, Act[]] => [gesture, []];

export function fingersMove(gesture: Gesture, event: FingerEvent): [Gesture, Act[]] {
  switch (event.type) {
    case 'down':
      return down(gesture, event);
    case 'move':
      return move(gesture, event.id, event.at);
    case 'up':
      return up(gesture, event.id, event.bounced);
    case 'cancel':
      return cancel(gesture, event.id);
  }
}

function down(gesture: Gesture, { id, at, holds }: Extract<FingerEvent, { type: 'down' }>): [Gesture, Act[]] {
  if (gesture.state === 'idle')
    return [{ state: 'pressed', id, start: at, at, holds }, holds.what === 'aim' ? [{ act: 'aim', at }] : []];
  if (gesture.state === 'pinching') return stay({ ...gesture, fingers: new Map(gesture.fingers).set(id, at) });
  // Whatever the first finger was about to put down is not, and what it moved is where it was.
  const fingers = new Map([
    [gesture.id, gesture.at],
    [id, at],
  ]);
  return [{ state: 'pinching', fingers }, [{ act: 'letGo' }]];
}

function move(gesture: Gesture, id: number, at: Spot): [Gesture, Act[]] {
  if (gesture.state === 'idle') return stay(gesture);
  if (gesture.state === 'pinching') return pinch(gesture.fingers, id, at);
  if (gesture.id !== id) return stay(gesture);
  const { start, holds } = gesture;
  if (gesture.state === 'pressed' && Math.hypot(at.x - start.x, at.y - start.y) < SLACK)
    return stay({ ...gesture, at });
  const next: Gesture = { ...gesture, state: 'dragging', at };
  if (holds.what === 'aim') return [next, [{ act: 'aim', at }]];
  if (isHeld(holds)) return [next, [{ act: 'drag', holds, from: start, to: at, done: false }]];
  return [next, [{ act: 'pan', by: { x: at.x - gesture.at.x, y: at.y - gesture.at.y } }]];
}

/** Two fingers: larger as they part, turned as they turn, about the one that rests. */
function pinch(before: ReadonlyMap<number, Spot>, id: number, at: Spot): [Gesture, Act[]] {
  const was = before.get(id);
  if (!was) return stay({ state: 'pinching', fingers: before });
  const next: Gesture = { state: 'pinching', fingers: new Map(before).set(id, at) };
  const others = [...before].filter(([each]) => each !== id).map(([, spot]) => spot);
  if (others.length !== 1) return stay(next);
  const about = others[0]!;
  const apart = (spot: Spot): number => Math.hypot(spot.x - about.x, spot.y - about.y) || 1;
  const bearing = (spot: Spot): number => Math.atan2(spot.y - about.y, spot.x - about.x);
  const turn = bearing(at) - bearing(was);
  return [
    next,
    [{ act: 'zoom', factor: apart(at) / apart(was), about, turn: Math.atan2(Math.sin(turn), Math.cos(turn)) }],
  ];
}

/** A finger fewer: of two the one that is left goes on moving the plan. */
function fewer(before: ReadonlyMap<number, Spot>, id: number): Gesture {
  const fingers = new Map(before);
  fingers.delete(id);
  const [left] = fingers;
  if (!left) return IDLE;
  if (fingers.size > 1) return { state: 'pinching', fingers };
  return { state: 'dragging', id: left[0], start: left[1], at: left[1], holds: { what: 'plan' } };
}

function up(gesture: Gesture, id: number, bounced: boolean): [Gesture, Act[]] {
  if (gesture.state === 'pinching') return stay(fewer(gesture.fingers, id));
  if (gesture.state === 'idle' || gesture.id !== id) return stay(gesture);
  const { state, start, at, holds } = gesture;
  if (state === 'pressed') {
    if (bounced || isHeld(holds)) return stay(IDLE);
    return [IDLE, [{ act: holds.what === 'aim' ? 'put' : 'tap', at }]];
  }
  if (holds.what === 'aim') return [IDLE, [{ act: 'put', at }]];
  if (isHeld(holds)) return [IDLE, [{ act: 'drag', holds, from: start, to: at, done: true }]];
  return [IDLE, [{ act: 'settle' }]];
}

function cancel(gesture: Gesture, id: number): [Gesture, Act[]] {
  const called: Act[] = [{ act: 'letGo' }, { act: 'settle' }];
  if (gesture.state === 'pinching') return [fewer(gesture.fingers, id), called];
  return gesture.state === 'idle' || gesture.id !== id ? stay(gesture) : [IDLE, called];
}
