/** Pages whose scripts come after those of the list. */
import { lazy, Suspense, type ComponentType, type ReactNode } from 'react';
import { View } from 'react-native';
import type * as all from './lazyPart';
import { usePalette } from './theme/theme';
import { Notice } from './ui/Notice';

type LazyPart = typeof all;

export const loadLazyPart = (): Promise<LazyPart> => import('./lazyPart');

type Pages = { [K in keyof LazyPart]: LazyPart[K] extends ComponentType ? K : never }[keyof LazyPart];

/** While its scripts are on their way a page has the ground of its theme already: pale words on a pale page are none. */
function Opening() {
  const { ground } = usePalette();
  return (
    <View style={{ flex: 1, backgroundColor: ground }} role="main">
      <Notice title="Opening" />
    </View>
  );
}

/** A page of the lazy part, by its name there. `opening`: what stands there until its scripts have come. */
export function lazyPage(name: Pages, opening: ReactNode = <Opening />): ComponentType {
  const Screen = lazy(async () => ({ default: (await loadLazyPart())[name] as ComponentType }));
  return function Page() {
    return (
      <Suspense fallback={opening}>
        <Screen />
      </Suspense>
    );
  };
}
