/** Whether whoever uses this device plans jobs, as the server last said: read plainly, as the list of jobs is there before all schemas. */
export const RIGHTS_KEPT = 'katabasis.rights';

export function mayBegin(): boolean {
  try {
    return (JSON.parse(localStorage.getItem(RIGHTS_KEPT)!) as { rights: string[] }).rights.includes('plan');
  } catch {
    // Never heard: as at the server's own machine.
    return true;
  }
}
