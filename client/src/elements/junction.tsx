/** What stands in a line: a wye, a tee, a cleanout, a bend, a sediment trap. */
import { JUNCTION_FACTS, JUNCTION_FORMS, put, showLevel, TURN_FACTS, TURNS, type Junction } from '@katabasis/core';
import type { ReactNode } from 'react';
import { Circle, Path, Rect } from 'react-native-svg';
import { useJob } from '../planning/useJob';
import type { GlyphPens } from '../drawing/LandingGlyph';
import { NameAndLevel } from '../parts/forms/NameAndLevel';
import { Choice } from '../ui/Choice';
import type { ElementView } from './view';
const FORMS = JUNCTION_FORMS.map((value) => {
  const { label, note } = JUNCTION_FACTS[value];
  return { value, label, ...(note ? { note } : {}) };
});

function Form({ element: junction }: { element: Junction }) {
  const { edit } = useJob();
  return (
    <>
      <NameAndLevel landing={junction} levelLabel="Ground here" />
      <Choice
        label="What it is"
        value={junction.form}
        options={FORMS}
        onChoose={(form) => edit(put('Say what it is', { ...junction, form }))}
      />
      {junction.form === 'bend' && (
        <Choice
          label="Made of"
          value={junction.turn ?? TURNS[0]}
          options={TURNS.map((turn) => ({
            value: turn,
            label: TURN_FACTS[turn].label,
            note: `loses ${TURN_FACTS[turn].loss} V²/2g`,
          }))}
          onChoose={(turn) => edit(put('Say how it turns', { ...junction, turn }))}
        />
      )}
    </>
  );
}

/** Marks by what stands there; round where lines meet. */
const MARKS: Record<Junction['form'], (pens: GlyphPens) => ReactNode> = {
  wye: ({ outline, stroke }) => (
    <>
      <Circle r={9} {...outline} />
      <Path d="M0 6V-1M0 -1L-4 -5M0 -1L4 -5" stroke={stroke} strokeWidth={2} fill="none" />
    </>
  ),
  tee: ({ outline, stroke }) => (
    <>
      <Circle r={9} {...outline} />
      <Path d="M-5 -3H5M0 -3V6" stroke={stroke} strokeWidth={2} fill="none" />
    </>
  ),
  cleanout: ({ outline, stroke }) => (
    <>
      <Circle r={9} {...outline} />
      <Rect x={-3.5} y={-3.5} width={7} height={7} fill={stroke} />
    </>
  ),
  bend: ({ outline }) => <Rect x={-7} y={-7} width={14} height={14} transform="rotate(45)" {...outline} />,
  sedimentTrap: ({ outline, stroke }) => (
    <>
      <Path d="M-10 -9H10V4L5 10H-5L-10 4Z" {...outline} />
      <Path d="M-6 4H6" stroke={stroke} strokeWidth={3} strokeDasharray="2.4 2.4" />
    </>
  ),
};

export const junctionView: ElementView<Junction> = {
  Form,
  list: {
    group: 'inlets',
    about: ({ groundLevel }, { units }) => ({ about: 'ground', figure: showLevel(groundLevel, units) }),
  },
  glyph: ({ form }, pens) => MARKS[form](pens),
};
