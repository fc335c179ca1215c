/** Whether something is in sight, or nearly: for what may be drawn later while it is not. */
import { startTransition, useEffect, useRef, useState, type RefObject } from 'react';

/** So far beyond the edge of the screen it counts as in sight, px: nobody scrolls on to what is old. */
const NEARLY = '300px 0px';

/** In sight until it is known not to be. */
export function useInSight<T>(): { ref: RefObject<T | null>; inSight: boolean } {
  const ref = useRef<T>(null);
  const [inSight, setInSight] = useState(true);
  useEffect(() => {
    if (typeof IntersectionObserver === 'undefined' || !(ref.current instanceof Element)) return;
    const observer = new IntersectionObserver(
      (entries) => startTransition(() => setInSight(entries.at(-1)!.isIntersecting)),
      { rootMargin: NEARLY },
    );
    observer.observe(ref.current);
    return () => observer.disconnect();
  }, []);
  return { ref, inSight };
}
