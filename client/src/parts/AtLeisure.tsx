/** What is out of sight is drawn when nothing has been done for a while. */
import { createContext, use, useEffect, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { whenAtRest } from '../pace/atRest';
import { pausable } from '../pace/pausable';
import { PlannedContext, type OpenJob } from '../planning/useJob';
import { useFar } from '../ui/useFar';

const FarContext = createContext(false);

/** Whether what asks stands where nobody sees it: nothing need be worked out for it yet. */
export const useOutOfSight = (): boolean => use(FarContext);

interface Props {
  children: ReactNode;
  /** Drawn before others that wait for rest as well. */
  ahead?: boolean;
  /** Whether it looks the same of both: then it is not drawn anew before it is in sight. */
  same?: (before: OpenJob, now: OpenJob) => boolean;
  /** About how tall it is, px: out of sight the browser lays out nothing of it, nor looks for a finger in it. */
  tall?: number;
}

const notLaidOut = (tall: number): object => ({ contentVisibility: 'auto', containIntrinsicSize: `auto ${tall}px` });

/**
 * What is drawn in it follows the job as around it while it is in sight, or nearly; out of sight it stands still until nothing has been
 * done for a while. No tap waits for what nobody sees.
 */
export function AtLeisure({ children, ahead = false, same, tall }: Props) {
  const { ref, far } = useFar<View>();
  const [still, setStill] = useState<ReturnType<typeof pausable> | null>(null);
  const stands = far === true && still !== null;
  // Read only while it follows: what stands still is not even asked whether anything has changed.
  const around = stands ? null : use(PlannedContext)!;
  const fresh = around === null ? still!.fresh : (around.fresh ?? around);
  if (still?.fresh !== fresh) setStill(pausable(fresh));
  useEffect(() => {
    if (!stands) return;
    let held = fresh.kept()!;
    still.hold(held);
    const catchUp = (): boolean => {
      const now = fresh.kept()!;
      if (now === held || same?.(held, now)) return false;
      still.hold((held = now));
      return true;
    };
    const left = whenAtRest(fresh, catchUp, ahead);
    return () => {
      left();
      still.hold(null);
    };
  }, [stands, still, fresh, same, ahead]);
  return (
    <View ref={ref} {...(tall === undefined ? {} : { style: notLaidOut(tall) })}>
      <FarContext value={far !== false}>
        {/* The same whether it stands or follows, where it can be: nothing is drawn anew for coming in sight alone. */}
        <PlannedContext value={around === null || around === fresh ? (still?.planned ?? fresh) : around}>
          {children}
        </PlannedContext>
      </FarContext>
    </View>
  );
}
