/** Whether something is far out of sight: for what need not be drawn while nobody sees it. */
import { startTransition, useEffect, useRef, useState, type RefObject } from 'react';

/** So far beyond the edge of the screen it counts as in sight, px: nobody scrolls on to what is old. */
const NEARLY = '100px 0px';

const told = new WeakMap<Element, (far: boolean) => void>();
let observer: IntersectionObserver | null = null;

/** The one observer of the page; `scrollMargin`, where a browser knows it, is for what scrolls within the page. */
const watching = (): IntersectionObserver =>
  (observer ??= new IntersectionObserver(
    (entries) =>
      startTransition(() => {
        for (const { target, isIntersecting } of entries) told.get(target)?.(!isIntersecting);
      }),
    { rootMargin: NEARLY, scrollMargin: NEARLY } as IntersectionObserverInit,
  ));

/** Null until it is known. */
export function useFar<T>(): { ref: RefObject<T | null>; far: boolean | null } {
  const ref = useRef<T>(null);
  const known = typeof IntersectionObserver !== 'undefined';
  const [far, setFar] = useState<boolean | null>(known ? null : false);
  useEffect(() => {
    const { current } = ref;
    if (!known || !(current instanceof Element)) return;
    told.set(current, setFar);
    watching().observe(current);
    return () => {
      told.delete(current);
      observer?.unobserve(current);
    };
  }, [known]);
  return { ref, far };
}
