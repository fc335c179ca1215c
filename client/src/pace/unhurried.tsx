/** What may be drawn later than the tap that changes it: a frame after its picture. */
import { memo, useEffect, useMemo, useSyncExternalStore, type ComponentType, type ReactNode } from 'react';
import { flushSync } from 'react-dom';
import { PlannedContext, usePlanned, type OpenJob, type Planned } from '../planning/useJob';
import { useLater } from './useLater';

/** The same open job, a moment behind in what was made; what is under a finger is shown at once, as anywhere. */
function behindOf(fresh: Planned, made: OpenJob): Planned {
  let previewed: OpenJob | null = null;
  return {
    ...fresh,
    fresh: fresh.fresh ?? fresh,
    kept: () => made,
    shown: () => {
      if (fresh.session.moving) return (previewed = fresh.shown());
      // Let go, and the change made of it not here yet: what stood under the finger stays until it is.
      return made === fresh.kept() ? made : (previewed ?? made);
    },
  };
}

/** What is drawn in it may come a frame after what has changed elsewhere: a tap's picture is there before all that is said of it. */
function Unhurried({ children }: { children: ReactNode }) {
  const fresh = usePlanned();
  const kept = useSyncExternalStore(fresh.subscribe, fresh.kept)!;
  const [made, setMade] = useLater(kept);
  useEffect(() => {
    // Whoever touches it finds it as it is: nothing is ever done on what is not so any more.
    const catchUp = (): void => {
      const now = fresh.kept();
      if (now !== null && now !== made) flushSync(() => setMade(now));
    };
    for (const touch of TOUCHES) window.addEventListener(touch, catchUp, true);
    return () => {
      for (const touch of TOUCHES) window.removeEventListener(touch, catchUp, true);
    };
  }, [fresh, made, setMade]);
  const value = useMemo(() => behindOf(fresh, made), [fresh, made]);
  return <PlannedContext value={value}>{children}</PlannedContext>;
}

/** A click too: the finger may have left a field between coming down and it, which has changed the job. */
const TOUCHES = ['pointerdown', 'click', 'keydown'] as const;

/** A part of a screen that is drawn unhurried, and only when its own properties or the job change. */
export function unhurried<P extends object>(Part: ComponentType<P>): ComponentType<P> {
  return memo(function Lagging(props: P) {
    return (
      <Unhurried>
        <Part {...props} />
      </Unhurried>
    );
  }) as unknown as ComponentType<P>;
}
