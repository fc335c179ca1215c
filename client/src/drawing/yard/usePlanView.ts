/**
 * What part of the yard is seen. While it is moved it is a picture: one CSS transform, whatever lies in it; it is drawn anew when it rests.
 */
import type { Place } from '@katabasis/core';
import { useCallback, useEffect, useImperativeHandle, useRef, useState, type Ref } from 'react';
import type { LayoutChangeEvent } from 'react-native';
import { between, fitted, placeAt, zoomed, type Viewport } from './viewport';

export interface PlanHandle {
  fit(): void;
  zoom(factor: number): void;
  turn(): void;
  show(place: Place): void;
}

/** px by which what stands under the plan may grow for a sentence more. */
const A_LINE = 130;
/** A wheel that has not moved for so long rests, ms: two of its clicks under a finger come nearer together. */
const WHEEL_RESTS_MS = 120;

export interface PlanView {
  /** As it is drawn; null before there is room for it. */
  view: Viewport | null;
  /** As it is seen: while it is moved another than is drawn. */
  seen: () => Viewport | null;
  /** Draws it so. */
  settle: (next: Viewport) => void;
  /** Moves the picture; it is drawn anew once `settle` or `settleSoon` is called. */
  slide: (next: Viewport) => void;
  settleSoon: () => void;
  onLayout: (event: LayoutChangeEvent) => void;
  layer: (node: HTMLElement | null) => void;
}

/** `extent`: places that must be in sight at first; `onTurn` is told how far it is turned, rad. */
export function usePlanView(
  extent: readonly Place[],
  onTurn: (turn: number) => void,
  plan: Ref<PlanHandle> | undefined,
): PlanView {
  const [view, setView] = useState<Viewport | null>(null);
  /** `closer`: somebody has moved the plan or made it larger. */
  const now = useRef<{ seen: Viewport | null; layer: HTMLElement | null; closer: boolean; rest: number }>({
    seen: null,
    layer: null,
    closer: false,
    rest: 0,
  });
  const seen = useCallback(() => now.current.seen, []);
  const layer = useCallback((node: HTMLElement | null): void => void (now.current.layer = node), []);
  const settle = useCallback((next: Viewport): void => {
    now.current.seen = next;
    if (now.current.layer) now.current.layer.style.transform = '';
    setView(next);
  }, []);
  const slide = useCallback(
    (next: Viewport): void => {
      now.current.closer = true;
      now.current.seen = next;
      if (view && now.current.layer) now.current.layer.style.transform = between(view, next);
    },
    [view],
  );
  const settleSoon = useCallback((): void => {
    window.clearTimeout(now.current.rest);
    now.current.rest = window.setTimeout(() => now.current.seen && settle(now.current.seen), WHEEL_RESTS_MS);
  }, [settle]);
  useEffect(() => {
    const held = now.current;
    return () => window.clearTimeout(held.rest);
  }, []);
  const turned = view?.turn ?? 0;
  useEffect(() => onTurn(turned), [turned, onTurn]);
  const onLayout = ({ nativeEvent: { layout } }: LayoutChangeEvent): void => {
    const { width, height } = layout;
    if (width < 1 || height < 1) return;
    const last = now.current.seen;
    // A phone that is turned, or a window made wider, shows all again, unless somebody has looked closer.
    if (!last || (last.width !== width && !now.current.closer)) return settle(fitted(extent, width, height));
    // A line more or less under the plan moves nothing on it; a sheet leaves its middle in the middle.
    const little = last.width === width && Math.abs(last.height - height) < A_LINE;
    settle({ ...last, width, height, ...(little ? { centre: placeAt(last, { x: width / 2, y: height / 2 }) } : {}) });
  };
  useImperativeHandle(plan, () => {
    const change = (next: (last: Viewport) => Viewport, closer: boolean) => (): void => {
      const last = now.current.seen;
      if (closer) now.current.closer = true;
      if (last) settle(next(last));
    };
    return {
      fit: change(({ width, height, turn }) => fitted(extent, width, height, turn), false),
      zoom: (factor) => change((last) => zoomed(last, factor, { x: last.width / 2, y: last.height / 2 }), true)(),
      // North up, or turned a quarter where a yard fits the screen better so.
      turn: change(({ width, height, turn }) => fitted(extent, width, height, turn !== 0 ? 0 : Math.PI / 2), false),
      show: (place) => change((last) => ({ ...last, centre: place }), true)(),
    };
  }, [extent, settle]);
  return { view, seen, settle, slide, settleSoon, onLayout, layer };
}
