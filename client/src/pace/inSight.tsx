/** What need not be drawn while nobody sees it. */
import {
  createContext,
  startTransition,
  use,
  useEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
  type ReactNode,
  type RefObject,
} from 'react';
import { View } from 'react-native';
import { PlannedContext, usePlanned, type OpenJob } from '../planning/useJob';
import { behind, useDeferred } from './deferred';

/** So far beyond the edge of the screen it counts as in sight, px: nobody scrolls on to what is old. */
const NEARLY = '100px 0px';

const watched = new WeakMap<Element, (unseen: boolean) => void>();
let observer: IntersectionObserver | null = null;

/** The one observer of the page; `scrollMargin`, where a browser knows it, is for what scrolls within the page. */
const theObserver = (): IntersectionObserver =>
  (observer ??= new IntersectionObserver(
    (entries) =>
      startTransition(() => {
        for (const { target, isIntersecting } of entries) watched.get(target)?.(!isIntersecting);
      }),
    { rootMargin: NEARLY, scrollMargin: NEARLY } as IntersectionObserverInit,
  ));

/** Whether a view is out of sight; null until it is known. */
function useUnseen(ref: RefObject<View | null>): boolean | null {
  const known = typeof IntersectionObserver !== 'undefined';
  const [unseen, setUnseen] = useState<boolean | null>(known ? null : false);
  useEffect(() => {
    const view = ref.current as unknown;
    if (!known || !(view instanceof Element)) return;
    watched.set(view, setUnseen);
    theObserver().observe(view);
    return () => {
      watched.delete(view);
      observer?.unobserve(view);
    };
  }, [known, ref]);
  return unseen;
}

const UnseenContext = createContext(false);

/** Whether what asks stands where nobody sees it: nothing need be worked out for it yet. */
export const useOutOfSight = (): boolean => use(UnseenContext);

/** Follows the job at once while it is in sight, and deferred out of it. */
export function DeferredUnseen({ children }: { children: ReactNode }) {
  const ref = useRef<View>(null);
  const unseen = useUnseen(ref);
  const around = usePlanned();
  const value = useDeferred(ref);
  return (
    <View ref={ref}>
      <PlannedContext value={unseen === true ? value : around}>{children}</PlannedContext>
    </View>
  );
}

interface Props {
  children: ReactNode;
  /** All that is said in it of a job. */
  said: (open: OpenJob) => string;
  /** About how tall it is, px: out of sight the browser lays out nothing of it, nor looks for a finger in it. */
  tall: number;
}

/** Follows the job while it is in sight; out of it, it is drawn anew only where another thing is said in it. */
export function InSight({ children, said, tall }: Props) {
  const ref = useRef<View>(null);
  const unseen = useUnseen(ref);
  const around = usePlanned();
  const open = useSyncExternalStore(around.subscribe, around.made)!;
  const [drawn, setDrawn] = useState(open);
  const saidOfDrawn = useMemo(() => (unseen === true ? said(drawn) : null), [unseen, drawn, said]);
  if (drawn !== open && (saidOfDrawn === null || saidOfDrawn !== said(open))) setDrawn(open);
  const latest = around.latest ?? around;
  const value = useMemo(() => behind(latest, drawn), [latest, drawn]);
  return (
    <View ref={ref} style={{ contentVisibility: 'auto', containIntrinsicSize: `auto ${tall}px` } as object}>
      <UnseenContext value={unseen !== false}>
        <PlannedContext value={value}>{children}</PlannedContext>
      </UnseenContext>
    </View>
  );
}
