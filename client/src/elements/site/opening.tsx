/** A door, a window well, a vent, steps to a basement: where water must not come in. */
import {
  distance,
  doorWords,
  nameOf,
  ofKind,
  OPENING_FORMS,
  put,
  showLength,
  showLevel,
  sidesOf,
  text,
  type Opening,
  type OpeningForm,
} from '@katabasis/core';
import { View } from 'react-native';
import { Path } from 'react-native-svg';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { distanceEntry, lengthEntry, levelEntry } from '../../input/entry';
import { without } from '../../input/without';
import { OwnName } from '../../parts/forms/OwnName';
import { Choice } from '../../ui/Choice';
import { fieldRow } from '../../ui/rows';
import { Text } from '../../ui/Text';
import type { ElementView } from '../view';

const LABELS: Record<OpeningForm, string> = {
  door: 'Door',
  garageDoor: 'Garage door',
  windowWell: 'Window well',
  vent: 'Vent',
  basementSteps: 'Basement steps',
};

function Form({ element: opening }: { element: Opening }) {
  const { job, plan, edit, units } = useJob();
  const set = (label: string, key: keyof Opening, value: unknown): string | null =>
    edit(put(label, without(opening, key, value)));
  const buildings = ofKind(job, 'building').filter(({ outline }) => outline !== undefined);
  const building = buildings.find(({ id }) => id === opening.building);
  return (
    <>
      {doorWords(job, plan, opening.id).map(({ when, says, tone }) => (
        <Text key={when} {...(tone ? { tone } : {})}>
          {when}: {says}.
        </Text>
      ))}
      <View style={fieldRow}>
        <OwnName element={opening} />
        <QuantityField
          label="Sill"
          usual="not measured"
          value={opening.sillLevel}
          {...levelEntry(units)}
          optional
          hint="Where water would come over"
          onCommit={(level) => set('Set its sill', 'sillLevel', level)}
        />
        <QuantityField
          label="Width"
          usual="not measured"
          value={opening.width}
          {...lengthEntry(units)}
          optional
          onCommit={(width) => set('Set its width', 'width', width)}
        />
      </View>
      <Choice
        label="What it is"
        value={opening.form}
        options={OPENING_FORMS.map((value) => ({ value, label: LABELS[value] }))}
        onChoose={(form) => set('Say what it is', 'form', form)}
      />
      {buildings.length > 0 && (
        <Choice
          label="In"
          value={opening.building ?? null}
          options={buildings.map(({ id }) => ({ value: id, label: nameOf(job, id) }))}
          onChoose={(id) => edit(put('Say what it is in', { ...opening, building: id, wall: opening.wall ?? 0 }))}
        />
      )}
      {building && (
        <>
          <Choice
            label="Its wall"
            value={String(opening.wall ?? 0)}
            options={sidesOf(building.outline!).map(([a, b], k) => ({
              value: String(k),
              label: String(k + 1),
              note: text(showLength(distance(a, b), units)),
            }))}
            onChoose={(wall) => set('Say which wall', 'wall', Number(wall))}
          />
          <View style={fieldRow}>
            <QuantityField
              label="From the wall’s first corner"
              usual="its middle"
              value={opening.along}
              {...distanceEntry(units)}
              optional
              onCommit={(along) => set('Say where in the wall', 'along', along)}
            />
          </View>
        </>
      )}
    </>
  );
}

export const openingView: ElementView<Opening> = {
  Form,
  list: {
    group: 'buildings',
    about: (opening, { job, units }) => ({
      about: `${LABELS[opening.form].toLowerCase()}${opening.building ? ` in ${nameOf(job, opening.building)}` : ''}`,
      ...(opening.sillLevel === undefined ? {} : { figure: showLevel(opening.sillLevel, units) }),
    }),
  },
  onPlan: (_, { path, ink, ground, chosen }) => (
    <>
      <Path d={path} stroke={ink} strokeWidth={chosen ? 12 : 9} />
      <Path d={path} stroke={ground} strokeWidth={4} />
    </>
  ),
};
