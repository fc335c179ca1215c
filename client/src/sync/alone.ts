/**
 * Something that one page of this device does at a time, where the browser lets pages agree on it; elsewhere they take the chance.
 * `signal` calls off the waiting for it: then this fails.
 */
export function alone(name: string, work: () => Promise<void>, signal?: AbortSignal): Promise<void> {
  const agreed = (globalThis.navigator as { locks?: LockManager } | undefined)?.locks;
  return agreed ? agreed.request(`katabasis.${name}`, signal ? { signal } : {}, work) : work();
}
