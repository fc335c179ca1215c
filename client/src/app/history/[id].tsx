import { lazy, Suspense } from 'react';

// Nothing on this page is there without the server, so its script may come from there too.
const Screen = lazy(() =>
  import('../../stations/jobs/HistoryScreen').then((module) => ({ default: module.HistoryScreen })),
);

export default function Page() {
  return (
    <Suspense>
      <Screen />
    </Suspense>
  );
}
