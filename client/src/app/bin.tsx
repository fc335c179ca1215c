import { lazy, Suspense } from 'react';

// Nothing on this page is there without the server, so its script may come from there too.
const Screen = lazy(() => import('../stations/jobs/BinScreen').then((module) => ({ default: module.BinScreen })));

export default function Page() {
  return (
    <Suspense>
      <Screen />
    </Suspense>
  );
}
