/**
 * What may be drawn after what a tap changes: once the tap's own picture is painted, in a transition, which the next touch interrupts.
 * Docs: docs/decisions/drawn-in-turn.md.
 */
import {
  memo,
  startTransition,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ComponentType,
  type ReactNode,
  type RefObject,
} from 'react';
import { flushSync } from 'react-dom';
import { View } from 'react-native';
import { PlannedContext, usePlanned, type OpenJob, type Planned } from '../planning/useJob';
import { afterPaint } from '../sync/afterPaint';

/** The same open job, a moment behind in what was made; what is under a finger is shown at once, as anywhere. */
export function behind(latest: Planned, made: OpenJob): Planned {
  let previewed: OpenJob | null = null;
  return {
    ...latest,
    latest,
    made: () => made,
    previewed: () => {
      if (latest.session.moving) return (previewed = latest.previewed());
      // Let go, and the change made of it not here yet: what stood under the finger stays until it is.
      return made === latest.made() ? made : (previewed ?? made);
    },
  };
}

/** A click too: the finger may have left a field between coming down and it, which has changed the job. */
const TOUCHES = ['pointerdown', 'click', 'keydown'] as const;

/** The open job, deferred; whoever touches what stands `within` finds it as it is: nothing is ever done on what is not so any more. */
export function useDeferred(within: RefObject<View | null>): Planned {
  const around = usePlanned();
  const latest = around.latest ?? around;
  const [made, setMade] = useState(() => latest.made()!);
  useEffect(() => {
    let callOff = (): void => undefined;
    let followed: OpenJob | null = null;
    const follow = (): void => {
      // A finger that moves tells of itself many times a second, and makes nothing.
      if (latest.made() === followed) return;
      followed = latest.made();
      callOff();
      callOff = afterPaint(() => {
        const now = latest.made();
        if (now) startTransition(() => setMade(now));
      });
    };
    const catchUp = ({ target }: Event): void => {
      const now = latest.made();
      if (now && (within.current as unknown as Node).contains(target as Node)) flushSync(() => setMade(now));
    };
    follow();
    const unsubscribe = latest.subscribe(follow);
    for (const touch of TOUCHES) window.addEventListener(touch, catchUp, true);
    return () => {
      callOff();
      unsubscribe();
      for (const touch of TOUCHES) window.removeEventListener(touch, catchUp, true);
    };
  }, [latest, within]);
  return useMemo(() => behind(latest, made), [latest, made]);
}

const CONTENTS = { display: 'contents' } as const;

function Deferred({ children }: { children: ReactNode }) {
  const within = useRef<View>(null);
  const value = useDeferred(within);
  return (
    <View ref={within} style={CONTENTS}>
      <PlannedContext value={value}>{children}</PlannedContext>
    </View>
  );
}

/** A part of a screen that is drawn deferred, and only when its own properties or the job change. */
export function deferred<P extends object>(Part: ComponentType<P>): ComponentType<P> {
  return memo(function Later(props: P) {
    return (
      <Deferred>
        <Part {...props} />
      </Deferred>
    );
  }) as unknown as ComponentType<P>;
}
