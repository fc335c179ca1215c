/** Works that are not pipe: their forms, and how they lie on the plan. */
import {
  elementOf,
  nameOf,
  showNominal,
  workFacts,
  type Barrel,
  type Berm,
  type Culvert,
  type Drain,
  type DrainField,
  type Element,
  type ElementKind,
  type OfKind,
  type PavedBed,
  type Sleeve,
  type StoneDrain,
  type Swale,
} from '@katabasis/core';
import type { ReactNode } from 'react';
import { Circle, Path } from 'react-native-svg';
import type { OpenJob } from '../planning/useJob';
import type { GlyphPens } from '../drawing/LandingGlyph';
import { FieldList, type FieldOf } from '../parts/forms/FieldList';
import { GroundLevel } from '../parts/forms/NameAndLevel';
import { StoneEnds } from '../parts/StoneEnds';
import { WorkFacts } from '../parts/WorkFacts';
import type { ElementView, ListGroup } from './view';
import { BARREL, BERM, CULVERT, DRAIN, DRAIN_FIELD, PAVED_BED, SLEEVE, STONE_DRAIN, SWALE } from './workFields';

type Kinds = Extract<
  ElementKind,
  'drain' | 'drainField' | 'swale' | 'culvert' | 'berm' | 'stoneDrain' | 'pavedBed' | 'barrel' | 'sleeve'
>;

/** What its ground level is the level of, of those that a pipe leaves. */
const LEVELS: { [K in Kinds]?: string } = {
  drain: 'Ground where it leaves',
  drainField: 'Ground where it leaves',
  stoneDrain: 'Top of its stone',
  pavedBed: 'Paving at its low edge',
  barrel: 'Ground under it',
};

/** A work's view: its fields, its facts, its line in a list. */
function work<K extends Kinds>(
  kind: K,
  fields: readonly FieldOf<OfKind<K>>[],
  group: ListGroup,
  about: (element: OfKind<K>, open: OpenJob) => string,
  more: Pick<ElementView<OfKind<K>>, 'glyph' | 'onPlan'> & Pick<Partial<ElementView<OfKind<K>>>, 'Panel'>,
): ElementView<OfKind<K>> {
  const level = LEVELS[kind];
  return {
    Form: ({ element }) => (
      <>
        {level && <GroundLevel landing={element as never} label={level} />}
        <FieldList element={element as never} fields={fields as never} />
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

const endsIn = (to: string | undefined, { job }: OpenJob): string =>
  to === undefined || !job.elements.get(to) ? 'runs off the job' : `runs to ${nameOf(job, to)}`;

/** Short strokes square to a path, as a drawn bank has them. */
const dots = (dash: string) => ({ strokeDasharray: dash });

const box = (pens: GlyphPens, inner: ReactNode): ReactNode => (
  <>
    <Path d="M-11 -8H11V8H-11Z" {...pens.outline} />
    {inner}
  </>
);
const drainGlyph = (_: unknown, pens: GlyphPens): ReactNode =>
  box(pens, <Path d="M-6 -3V3M0 -3V3M6 -3V3" stroke={pens.water} strokeWidth={2.5} {...dots('2 2')} />);

export const drainView: ElementView<Drain> = work('drain', DRAIN, 'lines', () => 'ground water at its end', {
  glyph: drainGlyph,
  onPlan: (_, { path, water, chosen, ink }) => (
    <>
      <Path d={path} fill="none" stroke={ink} strokeWidth={chosen ? 8 : 6} strokeOpacity={0.25} />
      <Path d={path} fill="none" stroke={water} strokeWidth={3} {...dots('3 5')} />
    </>
  ),
});

export const drainFieldView: ElementView<DrainField> = work(
  'drainField',
  DRAIN_FIELD,
  'lines',
  () => 'ground water at its end',
  {
    glyph: drainGlyph,
    onPlan: (_, { path, water, chosen }) => (
      <Path d={path} fill={water} fillOpacity={0.07} stroke={water} strokeWidth={chosen ? 3 : 1.5} {...dots('3 5')} />
    ),
  },
);

export const swaleView: ElementView<Swale> = work('swale', SWALE, 'lines', ({ to }, open) => endsIn(to, open), {
  onPlan: ({ depth, sideSlope, bottomWidth = 0 }, { path, water, ground, chosen, scale, ink }) => {
    const width = Math.max(8, (bottomWidth + 2 * sideSlope * depth) * scale);
    return (
      <>
        <Path
          d={path}
          fill="none"
          stroke={ink}
          strokeWidth={width + (chosen ? 4 : 2)}
          strokeOpacity={chosen ? 0.8 : 0.35}
        />
        <Path d={path} fill="none" stroke={ground} strokeWidth={width} />
        <Path d={path} fill="none" stroke={water} strokeWidth={2.5} {...dots('14 6')} />
      </>
    );
  },
});

export const culvertView: ElementView<Culvert> = work('culvert', CULVERT, 'lines', ({ to }, open) => endsIn(to, open), {
  onPlan: ({ nominal, pipes = 1 }, { path, ink, ground, water, scale, chosen }) => {
    const width = Math.max(8, nominal * pipes * scale);
    return (
      <>
        <Path d={path} fill="none" stroke={ink} strokeWidth={width + (chosen ? 6 : 4)} />
        <Path d={path} fill="none" stroke={ground} strokeWidth={width} />
        <Path d={path} fill="none" stroke={water} strokeWidth={2} />
      </>
    );
  },
});

export const bermView: ElementView<Berm> = work(
  'berm',
  BERM,
  'ground',
  ({ to }, { job }) => (to && job.elements.get(to) ? `drained to ${nameOf(job, to)}` : 'nothing drains behind it'),
  {
    onPlan: ({ topWidth, sideSlope, height }, { path, ink, chosen, scale }) => (
      <>
        <Path
          d={path}
          fill="none"
          stroke={ink}
          strokeWidth={Math.max(8, (topWidth + 2 * sideSlope * height) * scale)}
          strokeOpacity={0.18}
        />
        <Path d={path} fill="none" stroke={ink} strokeWidth={chosen ? 4 : 2.5} {...dots('1 4')} />
      </>
    ),
  },
);

export const stoneDrainView: ElementView<StoneDrain> = work(
  'stoneDrain',
  STONE_DRAIN,
  'inlets',
  () => 'comes off the slab',
  {
    Panel: ({ element }) => (
      <>
        <WorkFacts element={element} />
        <StoneEnds drain={element} />
      </>
    ),
    glyph: (_, pens) =>
      box(
        pens,
        <>
          <Circle cx={-5} cy={-2} r={2.5} fill={pens.stroke} />
          <Circle cx={1} cy={3} r={2.5} fill={pens.stroke} />
          <Circle cx={6} cy={-3} r={2.5} fill={pens.stroke} />
        </>,
      ),
    onPlan: ({ width }, { path, ink, ground, chosen, scale }) => (
      <>
        <Path d={path} fill="none" stroke={ink} strokeWidth={Math.max(8, width * scale) + (chosen ? 4 : 2)} />
        <Path d={path} fill="none" stroke={ground} strokeWidth={Math.max(8, width * scale)} />
        <Path d={path} fill="none" stroke={ink} strokeWidth={4} strokeLinecap="round" {...dots('0.1 9')} />
      </>
    ),
  },
);

export const pavedBedView: ElementView<PavedBed> = work('pavedBed', PAVED_BED, 'inlets', () => 'holds', {
  glyph: (_, pens) => box(pens, <Path d="M-11 1L11 5" stroke={pens.water} strokeWidth={2.5} />),
  onPlan: (_, { path, ink, chosen }) => (
    <Path d={path} fill={ink} fillOpacity={0.06} stroke={ink} strokeWidth={chosen ? 3 : 1.5} {...dots('6 3')} />
  ),
});

export const barrelView: ElementView<Barrel> = work('barrel', BARREL, 'inlets', () => 'holds', {
  glyph: (_, { outline, water }) => (
    <>
      <Path d="M-8 -11H8Q11 0 8 11H-8Q-11 0 -8 -11Z" {...outline} />
      <Path d="M-9 -1H9" stroke={water} strokeWidth={3} />
    </>
  ),
});

export const sleeveView: ElementView<Sleeve> = {
  Form: ({ element }) => <FieldList element={element} fields={SLEEVE} />,
  list: {
    group: 'lines',
    about: ({ nominal, holds }, { job, units }) => ({
      about: holds && elementOf(job, 'run', holds) ? `round ${nameOf(job, holds)}` : 'empty',
      figure: showNominal(nominal, units),
    }),
  },
  onPlan: (_, { path, ink, chosen }) => (
    <>
      <Path d={path} fill="none" stroke={ink} strokeWidth={chosen ? 9 : 7} strokeOpacity={0.35} />
      <Path d={path} fill="none" stroke={ink} strokeWidth={2} {...dots('8 5')} />
    </>
  ),
};
