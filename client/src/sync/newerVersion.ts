/**
 * The application on the device: its files are kept there by a service worker, so that it opens with no server at all. A newer version is
 * fetched beside the old one, told, and taken only when the user says so.
 */

/** Longest that an open page goes without asking whether there is a newer version, ms. */
const LOOK_EVERY_MS = 60 * 60 * 1000;

type Take = () => void;

/**
 * Has the application kept, and calls `onNewer` with what takes a newer version once one is there. Browsers allow it over https and on the
 * server's own machine only; elsewhere nothing is done.
 */
export function keepApplication(onNewer: (take: Take) => void): () => void {
  const workers = (navigator as { serviceWorker?: ServiceWorkerContainer }).serviceWorker;
  if (!workers || process.env.NODE_ENV === 'development') return () => undefined;
  let taken = false;
  let looking: ReturnType<typeof setInterval> | undefined;
  const reload = (): void => {
    // The first worker of all takes over without anything to load anew.
    if (taken) window.location.reload();
  };
  const tell = (waiting: ServiceWorker): void =>
    onNewer(() => {
      taken = true;
      waiting.postMessage({ type: 'SKIP_WAITING' });
    });
  const watch = (registration: ServiceWorkerRegistration): void => {
    if (registration.waiting && workers.controller) tell(registration.waiting);
    registration.addEventListener('updatefound', () => {
      const fresh = registration.installing;
      fresh?.addEventListener('statechange', () => {
        if (fresh.state === 'installed' && workers.controller) tell(fresh);
      });
    });
    looking = setInterval(() => void registration.update().catch(() => undefined), LOOK_EVERY_MS);
  };
  workers.addEventListener('controllerchange', reload);
  // Only by what is on the device is it known that there is no server; a failed registration is tried again at the next visit.
  // Where a browser is told to keep no such thing, it may answer with nothing at all.
  (workers.register('/sw.js') as Promise<ServiceWorkerRegistration | undefined>).then(
    (registration) => registration && watch(registration),
    () => undefined,
  );
  return () => {
    clearInterval(looking);
    workers.removeEventListener('controllerchange', reload);
  };
}
