/** What is out of sight is drawn when nothing has been done for a while. */
import { createContext, startTransition, use, useEffect, useMemo, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { whenAtRest } from '../data/atRest';
import { PlannedContext, type OpenJob, type Planned } from '../data/useJob';
import { useFar } from '../ui/useFar';

/** The same open job as it was, whatever is done in it. */
const stillAt = ({ fresh, open }: { fresh: Planned; open: OpenJob }): Planned => ({
  ...fresh,
  fresh,
  kept: () => open,
  shown: () => open,
});

const FarContext = createContext(false);

/** Whether what asks stands where nobody sees it: nothing need be worked out for it yet. */
export const useOutOfSight = (): boolean => use(FarContext);

interface Props {
  children: ReactNode;
  /** Drawn before others that wait for rest as well. */
  ahead?: boolean;
  /** About how tall it is, px: out of sight the browser lays out nothing of it, nor looks for a finger in it. */
  tall?: number;
}

const notLaidOut = (tall: number): object => ({ contentVisibility: 'auto', containIntrinsicSize: `auto ${tall}px` });

/**
 * What is drawn in it follows the job as around it while it is in sight, or nearly; out of sight it stands still until nothing has been
 * done for a while. No tap waits for what nobody sees.
 */
export function AtLeisure({ children, ahead = false, tall }: Props) {
  const { ref, far } = useFar<View>();
  /** What it stands still at; null while it follows. */
  const [held, setHeld] = useState<{ fresh: Planned; open: OpenJob } | null>(null);
  // Read only while it follows: what stands still is not even asked whether anything has changed.
  const around = held === null ? use(PlannedContext) : null;
  const [was, setWas] = useState(far);
  if (far !== was) {
    setWas(far);
    setHeld(far === true && around ? { fresh: around.fresh ?? around, open: around.kept()! } : null);
  }
  const fresh = held?.fresh;
  useEffect(() => {
    if (!fresh) return;
    return whenAtRest(fresh, () => startTransition(() => setHeld({ fresh, open: fresh.kept()! })), ahead);
  }, [fresh, ahead]);
  const still = useMemo(() => (held === null ? null : stillAt(held)), [held]);
  return (
    <View ref={ref} {...(tall === undefined ? {} : { style: notLaidOut(tall) })}>
      <FarContext value={far !== false}>
        <PlannedContext value={still ?? around}>{children}</PlannedContext>
      </FarContext>
    </View>
  );
}
