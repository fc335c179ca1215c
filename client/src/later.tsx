/** Pages whose scripts come after those of the list. */
import { lazy, Suspense, type ComponentType } from 'react';
import { View } from 'react-native';
import type * as all from './rest';
import { usePalette } from './theme/theme';
import { Notice } from './ui/Notice';

type Rest = typeof all;

export const rest = (): Promise<Rest> => import('./rest');

type Pages = { [K in keyof Rest]: Rest[K] extends ComponentType ? K : never }[keyof Rest];

/** While its scripts are on their way a page has the ground of its theme already: pale words on a pale page are none. */
function Opening() {
  const { ground } = usePalette();
  return (
    <View style={{ flex: 1, backgroundColor: ground }} role="main">
      <Notice title="Opening" />
    </View>
  );
}

/** A page of the rest, by its name there. */
export function later(name: Pages): ComponentType {
  const Screen = lazy(async () => ({ default: (await rest())[name] as ComponentType }));
  return function Page() {
    return (
      <Suspense fallback={<Opening />}>
        <Screen />
      </Suspense>
    );
  };
}
