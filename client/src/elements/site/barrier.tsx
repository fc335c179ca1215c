/** A wall, a fence, a property line. */
import { BARRIER_FORMS, put, showLength, wayLength, type Barrier, type BarrierForm } from '@katabasis/core';
import { View } from 'react-native';
import { Path } from 'react-native-svg';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { lengthEntry } from '../../input/entry';
import { without } from '../../input/without';
import { OwnName } from '../../parts/forms/OwnName';
import { Choice } from '../../ui/Choice';
import { fieldRow } from '../../ui/rows';
import type { ElementView } from '../view';

const FACTS: Record<BarrierForm, { label: string; note: string; dash?: string; width: number }> = {
  wall: { label: 'Wall', note: 'water does not pass', width: 5 },
  retainingWall: { label: 'Retaining wall', note: 'water does not pass', width: 7 },
  fence: { label: 'Fence', note: 'water passes under', dash: '10 4 2 4', width: 2 },
  propertyLine: { label: 'Property line', note: 'beyond it is a neighbour’s', dash: '18 5 3 5 3 5', width: 2 },
};

function Form({ element: barrier }: { element: Barrier }) {
  const { edit, units } = useJob();
  const set = (label: string, key: keyof Barrier, value: unknown): string | null =>
    edit(put(label, without(barrier, key, value)));
  return (
    <>
      <Choice
        label="What it is"
        value={barrier.form}
        options={BARRIER_FORMS.map((value) => ({ value, label: FACTS[value].label, note: FACTS[value].note }))}
        onChoose={(form) => set('Say what it is', 'form', form)}
      />
      <View style={fieldRow}>
        <OwnName element={barrier} />
        {barrier.form !== 'propertyLine' && (
          <QuantityField
            label="Height"
            usual="not measured"
            value={barrier.height}
            {...lengthEntry(units)}
            optional
            onCommit={(height) => set('Set its height', 'height', height)}
          />
        )}
      </View>
      {barrier.form === 'propertyLine' && (
        <Choice
          label="Water that crosses it"
          value={barrier.consent ?? 'needed'}
          options={[
            { value: 'needed', label: 'Wants the neighbour’s consent' },
            { value: 'given', label: 'Consent is given', note: 'in writing' },
          ]}
          onChoose={(consent) => set('Say whether there is consent', 'consent', consent)}
        />
      )}
    </>
  );
}

export const barrierView: ElementView<Barrier> = {
  Form,
  list: {
    group: 'inTheWay',
    about: ({ form, way }, { units }) => ({
      about: FACTS[form].label.toLowerCase(),
      ...(way ? { figure: showLength(wayLength(way), units) } : {}),
    }),
  },
  onPlan: ({ form }, { path, ink, chosen }) => (
    <Path
      d={path}
      fill="none"
      stroke={ink}
      strokeWidth={FACTS[form].width + (chosen ? 2 : 0)}
      {...(FACTS[form].dash ? { strokeDasharray: FACTS[form].dash } : {})}
    />
  ),
};
