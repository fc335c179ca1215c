/** What is pointed at in a list of Build, for the plan that stands beside it on a desk. */
import { createContext, use, useEffect, useMemo } from 'react';

export interface Pointed {
  ids: readonly string[];
  /** A spot on a pipe: the pipe, and m down it from its head. */
  spot?: { run: string; along: number };
}

/** Tells what is pointed at; null where no plan stands beside. */
export const PointingContext = createContext<((pointed: Pointed) => void) | null>(null);

export const usePlanBeside = (): boolean => use(PointingContext) !== null;

/** What a row of a list takes on to be marked on the plan beside it while it is pointed at, or has the keys. */
export function usePointed(pointed: Pointed): object {
  const point = use(PointingContext);
  return useMemo(() => {
    if (!point) return {};
    const tell = (): void => point(pointed);
    return { onPointerEnter: tell, onFocus: tell };
  }, [point, pointed]);
}

/** Has something marked from the start, and again whenever it is another. */
export function usePointedFirst(pointed: Pointed): void {
  const point = use(PointingContext);
  useEffect(() => point?.(pointed), [point, pointed]);
}
