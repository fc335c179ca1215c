/**
 * The plan under a finger: one moves it or puts things down, two make it larger and turn it. What is drawn stays as it is while it is
 * moved, as a picture is, and is drawn anew when the finger rests: a frame costs the same however much lies in the yard.
 */
import type { Place } from '@katabasis/core';
import {
  useCallback,
  useEffect,
  useImperativeHandle,
  useRef,
  useState,
  type PointerEvent as ReactPointerEvent,
  type Ref,
} from 'react';
import { View, type LayoutChangeEvent } from 'react-native';
import { usePalette, useStyles } from '../../theme/theme';
import type { Palette } from '../../theme/tokens';
import { isBounce, type Touch } from '../../ui/bounce';
import { thingAt } from './hit';
import type { Thing } from './scene';
import { Loupe, OverPlan, type Aim, type Draft } from './OverPlan';
import { snapTo, type Snapped } from './snap';
import { between, fitted, panned, placeAt, spotOf, zoomed, type Spot, type Viewport } from './viewport';
import type { Drawn } from './drawn';
import { YardDrawing } from './YardDrawing';

const make = (palette: Palette) => ({
  whole: { flex: 1, overflow: 'hidden' as const, backgroundColor: palette.ground },
  still: { ...({ touchAction: 'none', cursor: 'grab', userSelect: 'none' } as object) },
  layer: {
    position: 'absolute' as const,
    left: 0,
    top: 0,
    ...({ transformOrigin: '0 0', willChange: 'transform' } as object),
  },
});

/** px that a finger may wander in a tap. */
const SLACK = 8;
/** px by which what stands under the plan may grow for a sentence more. */
const A_LINE = 130;
/** A thumb's reach for a corner, px. */
const REACH = 24;
/** px that something put down is drawn to what is near. */
const SNAP = 16;

/** What a finger does: `look` moves the plan and taps; `put` puts places down, where it is let go. */
export type Doing = 'look' | 'put';

export interface PlanHandle {
  fit(): void;
  zoom(factor: number): void;
  turn(): void;
  show(place: Place): void;
}

interface Props extends Omit<Drawn, 'view' | 'draw'> {
  draw: Drawn['draw'];
  doing: Doing;
  draft: Draft | null;
  /** Corners of the chosen thing that a finger can move. */
  handles: readonly Place[];
  /** Where a finger takes hold of all of it; null of what is moved by its corners alone. */
  grip?: Place | null;
  /** How far it is moved, m. */
  onGrip?: (by: Place, done: boolean) => void;
  onTap: (thing: Thing | null, place: Place) => void;
  onPut: (snapped: Snapped) => void;
  onHandle: (corner: number, place: Place, done: boolean) => void;
  /** A move is called off before it is done: a second finger, or the system's own doing. */
  onLetGo: () => void;
  plan?: Ref<PlanHandle>;
  /** Places that must be in sight at first. */
  extent: readonly Place[];
  /** Told how far the plan is turned, rad. */
  onTurn: (turn: number) => void;
}

interface Finger extends Spot {
  start: Spot;
}

/** A finger that holds the whole thing, among those that hold a corner. */
const ALL = -1;

export function GroundPlan({
  doing,
  draft,
  handles,
  grip = null,
  onGrip,
  onTap,
  onPut,
  onHandle,
  onLetGo,
  plan,
  extent,
  onTurn,
  ...drawn
}: Props) {
  const styles = useStyles(make);
  const palette = usePalette();
  const [view, setView] = useState<Viewport | null>(null);
  const shown = useRef<Viewport | null>(null);
  const layer = useRef<HTMLElement | null>(null);
  const whole = useRef<HTMLElement | null>(null);
  const fingers = useRef(new Map<number, Finger>());
  const moved = useRef(false);
  const lastTouch = useRef<Touch | null>(null);
  /** Somebody has moved the plan or made it larger. */
  const lookedCloser = useRef(false);
  const held = useRef<number | null>(null);
  const [aim, setAim] = useState<(Aim & { view: Viewport }) | null>(null);
  const { things } = drawn;

  const settle = useCallback((next: Viewport) => {
    shown.current = next;
    if (layer.current) layer.current.style.transform = '';
    setView(next);
  }, []);
  /** Moves the picture; it is drawn anew when the finger rests. */
  const slide = useCallback(
    (next: Viewport) => {
      lookedCloser.current = true;
      shown.current = next;
      if (view && layer.current) layer.current.style.transform = between(view, next);
    },
    [view],
  );
  const rest = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const settleSoon = useCallback(() => {
    clearTimeout(rest.current);
    rest.current = setTimeout(() => shown.current && settle(shown.current), 120);
  }, [settle]);
  useEffect(() => () => clearTimeout(rest.current), []);

  const turned = view?.turn ?? 0;
  useEffect(() => onTurn(turned), [turned, onTurn]);
  const onLayout = ({ nativeEvent: { layout } }: LayoutChangeEvent): void => {
    const { width, height } = layout;
    if (width < 1 || height < 1) return;
    const now = shown.current;
    // A phone that is turned, or a window made wider, shows all again, unless somebody has looked closer.
    if (!now || (now.width !== width && !moved.current && !lookedCloser.current))
      return settle(fitted(extent, width, height));
    // A line more or less under the plan moves nothing on it; a sheet leaves its middle in the middle.
    const little = now.width === width && Math.abs(now.height - height) < A_LINE;
    settle({ ...now, width, height, ...(little ? { centre: placeAt(now, { x: width / 2, y: height / 2 }) } : {}) });
  };

  useImperativeHandle(
    plan,
    () => ({
      fit: () => shown.current && settle(fitted(extent, shown.current.width, shown.current.height, shown.current.turn)),
      zoom: (factor) => {
        lookedCloser.current = true;
        const now = shown.current;
        if (now) settle(zoomed(now, factor, { x: now.width / 2, y: now.height / 2 }));
      },
      // North up, or turned a quarter where a yard fits the screen better so.
      turn: () => {
        const now = shown.current;
        if (!now) return;
        const straight = fitted(extent, now.width, now.height);
        settle(now.turn !== 0 ? straight : fitted(extent, now.width, now.height, Math.PI / 2));
      },
      show: (place) => {
        lookedCloser.current = true;
        if (shown.current) settle({ ...shown.current, centre: place });
      },
    }),
    [extent, settle],
  );

  const spotIn = (event: { clientX: number; clientY: number }): Spot => {
    const box = whole.current!.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  };
  const aimAt = (spot: Spot): void => {
    const now = shown.current!;
    const snapped = snapTo(placeAt(now, spot), { things, before: draft?.places ?? [], reach: SNAP / now.scale });
    setAim({ spot, snapped, view: now });
  };
  /** The corner under a finger, or all of it; null of neither. */
  const heldAt = (spot: Spot): number | null => {
    const now = shown.current!;
    const away = (place: Place): number => {
      const at = spotOf(now, place);
      return Math.hypot(at.x - spot.x, at.y - spot.y);
    };
    const corner = handles.findIndex((place) => away(place) <= REACH);
    if (corner >= 0) return corner;
    return grip && away(grip) <= REACH ? ALL : null;
  };
  const gripBy = (from: Spot, to: Spot): Place => {
    const [a, b] = [placeAt(shown.current!, from), placeAt(shown.current!, to)];
    return { east: b.east - a.east, north: b.north - a.north };
  };

  /** What a finger held is where it was. */
  const letGo = (): void => {
    if (held.current !== null) onLetGo();
    held.current = null;
  };

  const onDown = (event: ReactPointerEvent): void => {
    if (!view) return;
    const spot = spotIn(event);
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    fingers.current.set(event.pointerId, { ...spot, start: spot });
    if (fingers.current.size > 1) {
      // A second finger: whatever the first was about to put down is not, and what it moved is where it was.
      letGo();
      moved.current = true;
      setAim(null);
      return;
    }
    moved.current = false;
    held.current = doing === 'look' ? heldAt(spot) : null;
    if (doing === 'put' && event.button !== 1) aimAt(spot);
  };
  const onMove = (event: ReactPointerEvent): void => {
    const finger = fingers.current.get(event.pointerId);
    const now = shown.current;
    if (!finger || !now) return;
    const spot = spotIn(event);
    const others = [...fingers.current].filter(([id]) => id !== event.pointerId).map(([, each]) => each);
    const before = { x: finger.x, y: finger.y };
    if (others.length === 1) {
      const other = others[0]!;
      const was = Math.hypot(before.x - other.x, before.y - other.y) || 1;
      const is = Math.hypot(spot.x - other.x, spot.y - other.y) || 1;
      const turn = Math.atan2(spot.y - other.y, spot.x - other.x) - Math.atan2(before.y - other.y, before.x - other.x);
      slide(zoomed(now, is / was, other, Math.atan2(Math.sin(turn), Math.cos(turn))));
    } else if (others.length === 0) {
      if (!moved.current && Math.hypot(spot.x - finger.start.x, spot.y - finger.start.y) < SLACK) return;
      moved.current = true;
      if (doing === 'put' && aim) aimAt(spot);
      else if (held.current === ALL) onGrip?.(gripBy(finger.start, spot), false);
      else if (held.current !== null) {
        const snapped = snapTo(placeAt(now, spot), {
          things,
          ...(drawn.chosen ? { not: drawn.chosen } : {}),
          reach: SNAP / now.scale,
        });
        setAim({ spot, snapped, view: now });
        onHandle(held.current, snapped.place, false);
      } else slide(panned(now, spot.x - before.x, spot.y - before.y));
    }
    finger.x = spot.x;
    finger.y = spot.y;
  };
  const onUp = (event: ReactPointerEvent): void => {
    const finger = fingers.current.get(event.pointerId);
    fingers.current.delete(event.pointerId);
    const now = shown.current;
    if (!finger || !now || fingers.current.size > 0) return;
    const before = lastTouch.current;
    lastTouch.current = { ...finger.start, at: event.timeStamp };
    if (!moved.current && isBounce(before, lastTouch.current)) {
      held.current = null;
    } else if (held.current === ALL) {
      if (moved.current) onGrip?.(gripBy(finger.start, finger), true);
      held.current = null;
    } else if (held.current !== null) {
      if (aim && moved.current) onHandle(held.current, aim.snapped.place, true);
      held.current = null;
    } else if (doing === 'put' && aim) onPut(aim.snapped);
    else if (!moved.current) onTap(thingAt(now, things, finger), placeAt(now, finger));
    else settle(now);
    setAim(null);
  };
  const onCancel = (event: ReactPointerEvent): void => {
    fingers.current.delete(event.pointerId);
    letGo();
    setAim(null);
    if (shown.current) settle(shown.current);
  };

  useEffect(() => {
    const host = whole.current;
    if (!host) return;
    const wheel = (event: WheelEvent): void => {
      event.preventDefault();
      const now = shown.current;
      if (!now) return;
      const box = host.getBoundingClientRect();
      slide(zoomed(now, Math.exp(-event.deltaY * 0.0016), { x: event.clientX - box.left, y: event.clientY - box.top }));
      settleSoon();
    };
    host.addEventListener('wheel', wheel, { passive: false });
    return () => host.removeEventListener('wheel', wheel);
  }, [slide, settleSoon]);

  const onKey = (event: React.KeyboardEvent): void => {
    const now = shown.current;
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

  const pointers = {
    onPointerDown: onDown,
    onPointerMove: onMove,
    onPointerUp: onUp,
    onPointerCancel: onCancel,
    onKeyDown: onKey,
  };
  return (
    <View
      ref={whole as never}
      style={[styles.whole, styles.still, doing === 'put' ? ({ cursor: 'crosshair' } as object) : null]}
      onLayout={onLayout}
      role="region"
      aria-label="Ground plan: arrows move it, plus and minus make it larger and smaller, 0 shows all"
      tabIndex={0}
      testID="ground-plan"
      {...(pointers as object)}
    >
      {view && (
        <View
          ref={layer as never}
          style={[styles.layer, { width: view.width, height: view.height, overflow: 'visible' }]}
        >
          <YardDrawing {...drawn} view={view} />
          <OverPlan
            view={view}
            draft={draft}
            handles={doing === 'look' ? handles : []}
            grip={doing === 'look' ? grip : null}
          />
        </View>
      )}
      {aim && <Loupe {...drawn} view={aim.view} aim={aim} draft={draft} ink={palette.ink} />}
    </View>
  );
}
