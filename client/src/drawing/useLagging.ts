import { useEffect, useState } from 'react';
import { useMoving } from '../data/useJob';
import { useWide } from '../theme/theme';

/** How long a finger must have stopped, ms. On a wide screen these drawings are in view, and may lag by a frame or two only. */
const REST_MS = { phone: 500, wide: 20 };

/**
 * A value for a drawing that may lag behind the finger, so that what is under the finger never waits for it: on a phone it is
 * scrolled out of view anyway.
 */
export function useLagging<T>(value: T): T {
  const rest = useWide() ? REST_MS.wide : REST_MS.phone;
  const moving = useMoving();
  const [rested, setRested] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setRested(value), moving ? rest : 0);
    return () => clearTimeout(timer);
  }, [value, moving, rest]);
  return moving ? rested : value;
}
