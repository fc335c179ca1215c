/** Something asked of the server by a tap: not twice at once, and what it says where it will not. */
import { useRef, useState } from 'react';

interface Attempt {
  said: string | null;
  busy: boolean;
  /** Does it; true where it was done. */
  attempt: (work: () => Promise<unknown>) => Promise<boolean>;
}

export function useAttempt(): Attempt {
  const [said, setSaid] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const going = useRef(false);
  const attempt = async (work: () => Promise<unknown>): Promise<boolean> => {
    if (going.current) return false;
    going.current = true;
    setBusy(true);
    setSaid(null);
    try {
      await work();
      return true;
    } catch (error) {
      setSaid((error as Error).message);
      return false;
    } finally {
      going.current = false;
      setBusy(false);
    }
  };
  return { said, busy, attempt };
}
