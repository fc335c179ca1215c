/** Pages whose scripts come after those of the list. */
import { lazy, Suspense, type ComponentType } from 'react';
import type * as all from './rest';
import { Notice } from './ui/Notice';

type Rest = typeof all;

export const rest = (): Promise<Rest> => import('./rest');

type Pages = { [K in keyof Rest]: Rest[K] extends ComponentType ? K : never }[keyof Rest];

/** A page of the rest, by its name there. */
export function later(name: Pages): ComponentType {
  const Screen = lazy(async () => ({ default: (await rest())[name] as ComponentType }));
  return function Page() {
    return (
      <Suspense fallback={<Notice title="Opening" />}>
        <Screen />
      </Suspense>
    );
  };
}
