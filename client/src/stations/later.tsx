/** Pages of which nothing is there without the server: their scripts may come from there when they are opened. */
import { lazy, Suspense, type ComponentType } from 'react';

export function later(load: () => Promise<ComponentType>): ComponentType {
  const Screen = lazy(async () => ({ default: await load() }));
  return function Page() {
    return (
      <Suspense>
        <Screen />
      </Suspense>
    );
  };
}
