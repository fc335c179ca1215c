/** The pipes of drain fields as they are laid. */
import type { Place, Solution } from '@katabasis/core';
import { G, Path } from 'react-native-svg';
import { pathOf } from '../../drawing/yard/pens';
import { spotOf, type Viewport } from '../../drawing/yard/viewport';
import { usePalette } from '../../theme/theme';

/** Ways of all of them. */
export const fieldWays = (works: Solution['works']): (readonly Place[])[] =>
  Object.values(works).flatMap((work) =>
    work.kind === 'drainField' && work.lines ? [...work.lines.laterals, work.lines.collector] : [],
  );

export function FieldPipes({ works, view }: Pick<Solution, 'works'> & { view: Viewport }) {
  const { water } = usePalette();
  const path = (way: readonly Place[]): string =>
    pathOf(
      way.map((place) => spotOf(view, place)),
      false,
    );
  return (
    <>
      {Object.entries(works).map(([id, work]) =>
        work.kind === 'drainField' && work.lines ? (
          <G key={id} stroke={water} fill="none">
            <Path d={work.lines.laterals.map(path).join('')} strokeWidth={1.5} />
            <Path d={path(work.lines.collector)} strokeWidth={3.5} />
          </G>
        ) : null,
      )}
    </>
  );
}
