/** What is out of sight is drawn when nothing has been done for a while. */
import { createContext, startTransition, use, useEffect, useMemo, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { whenAtRest } from '../data/atRest';
import { PlannedContext, usePlanned, type OpenJob, type Planned } from '../data/useJob';
import { useFar } from '../ui/useFar';

/** The same open job as it was, whatever is done in it. */
const stillAt = (fresh: Planned, held: OpenJob): Planned => ({
  ...fresh,
  fresh,
  kept: () => held,
  shown: () => held,
});

const FarContext = createContext(false);

/** Whether what asks stands where nobody sees it: nothing need be worked out for it yet. */
export const useOutOfSight = (): boolean => use(FarContext);

/**
 * What is drawn in it follows the job as around it while it is in sight, or nearly; out of sight it stands still until nothing has been
 * done for a while. No tap waits for what nobody sees. `ahead` of others that wait for rest as well.
 */
export function AtLeisure({ children, ahead = false }: { children: ReactNode; ahead?: boolean }) {
  const around = usePlanned();
  const fresh = around.fresh ?? around;
  const { ref, far } = useFar<View>();
  /** What it stands still at; null while it follows. */
  const [held, setHeld] = useState<OpenJob | null>(null);
  const [was, setWas] = useState(far);
  if (far !== was) {
    setWas(far);
    setHeld(far === true ? around.kept() : null);
  }
  useEffect(() => {
    if (far !== true) return;
    return whenAtRest(fresh, () => startTransition(() => setHeld(fresh.kept())), ahead);
  }, [far, fresh, ahead]);
  const still = useMemo(() => (held === null ? null : stillAt(fresh, held)), [fresh, held]);
  return (
    <View ref={ref}>
      <FarContext value={far !== false}>
        <PlannedContext value={still ?? around}>{children}</PlannedContext>
      </FarContext>
    </View>
  );
}
