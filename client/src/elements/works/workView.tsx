/** How works that are not pipe are shown: what their views have alike. */
import { nameOf, workFacts, type Element, type ElementKind, type OfKind } from '@katabasis/core';
import type { ReactNode } from 'react';
import { Path } from 'react-native-svg';
import type { OpenJob } from '../../planning/useJob';
import type { GlyphPens } from '../../drawing/LandingGlyph';
import { FieldList, type FieldOf } from '../../parts/forms/FieldList';
import { GroundLevel } from '../../parts/forms/NameAndLevel';
import { WorkFacts } from '../../parts/WorkFacts';
import type { ElementView, ListGroup } from '../view';

/** What a view has besides. `level`: what its ground level is the level of, where a pipe leaves it. */
type More<E> = Pick<ElementView<E>, 'glyph' | 'onPlan'> &
  Pick<Partial<ElementView<E>>, 'Panel'> & {
    level?: string;
    /** What stands under its fields. */
    Besides?: (props: { element: E }) => ReactNode;
  };

/** A work's view: its fields, its facts, its line in a list. */
export function work<K extends ElementKind>(
  fields: readonly FieldOf<OfKind<K>>[],
  group: ListGroup,
  about: (element: OfKind<K>, open: OpenJob) => string,
  { level, Besides, ...more }: More<OfKind<K>>,
): ElementView<OfKind<K>> {
  return {
    Form: ({ element }) => (
      <>
        {level && <GroundLevel landing={element as never} label={level} />}
        <FieldList element={element as never} fields={fields as never} />
        {Besides && <Besides element={element} />}
      </>
    ),
    Panel: ({ element }) => <WorkFacts element={element as Element} />,
    list: {
      group,
      about: (element, open) => {
        const first = workFacts(open.job, open.plan, (element as Element).id)[0];
        return { about: about(element, open), ...(first ? { figure: first.shown } : {}) };
      },
    },
    ...more,
  };
}
export const endsIn = (to: string | undefined, { job }: OpenJob): string =>
  to === undefined || !job.elements.get(to) ? 'runs off the job' : `runs to ${nameOf(job, to)}`;
/** Short strokes square to a path, as a drawn bank has them. */
export const dots = (dash: string) => ({ strokeDasharray: dash });
export const box = (pens: GlyphPens, inner: ReactNode): ReactNode => (
  <>
    <Path d="M-11 -8H11V8H-11Z" {...pens.outline} />
    {inner}
  </>
);
export const drainGlyph = (_: unknown, pens: GlyphPens): ReactNode =>
  box(pens, <Path d="M-6 -3V3M0 -3V3M6 -3V3" stroke={pens.water} strokeWidth={2.5} {...dots('2 2')} />);
