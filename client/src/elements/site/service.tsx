/** A buried service, in the colour that it is marked with on the ground. */
import {
  put,
  SERVICE_FORMS,
  SERVICE_PAINT,
  showSmall,
  text,
  USUAL_HAND_DIG,
  type Service,
  type ServiceForm,
} from '@katabasis/core';
import { View } from 'react-native';
import { Path } from 'react-native-svg';
import { useJob } from '../../planning/useJob';
import { NameField, QuantityField } from '../../input/Field';
import { distanceUpTo, smallEntry } from '../../input/entry';
import { without } from '../../input/without';
import { DayField } from '../../parts/Day';
import { BesideRun } from '../../parts/forms/BesideRun';
import { OwnName } from '../../parts/forms/OwnName';
import { Choice } from '../../ui/Choice';
import { fieldRow } from '../../ui/rows';
import { Text } from '../../ui/Text';
import type { ElementView } from '../view';

const FACTS: Record<ServiceForm, { label: string; private?: boolean }> = {
  power: { label: 'Power' },
  gas: { label: 'Gas' },
  water: { label: 'Water' },
  sewer: { label: 'Sewer' },
  telecom: { label: 'Telecom' },
  irrigation: { label: 'Irrigation', private: true },
  lighting: { label: 'Lighting', private: true },
  invisibleFence: { label: 'Invisible fence', private: true },
  septicField: { label: 'Septic field', private: true },
  well: { label: 'Well', private: true },
};

function Form({ element: service }: { element: Service }) {
  const { edit, units } = useJob();
  const set = (label: string, key: keyof Service, value: unknown): string | null =>
    edit(put(label, without(service, key, value)));
  return (
    <>
      <Choice
        label="What it is"
        value={service.form}
        options={SERVICE_FORMS.map((value) => ({ value, label: FACTS[value].label }))}
        onChoose={(form) =>
          edit(put('Say what it is', { ...service, form, owner: FACTS[form].private ? 'private' : 'public' }))
        }
      />
      <View style={fieldRow}>
        <OwnName element={service} />
        <NameField
          label="Marked by"
          value={service.markedBy ?? ''}
          optional
          usual="not marked yet"
          onCommit={(name) => set('Say who marked it', 'markedBy', name === '' ? undefined : name)}
        />
        <DayField
          label="Marked on"
          value={service.markedOn}
          onCommit={(day) => set('Say when it was marked', 'markedOn', day)}
        />
        <QuantityField
          label="Depth to its top"
          usual="not known"
          value={service.depth}
          {...smallEntry(units, 0, 50, 'A depth is')}
          optional
          onCommit={(depth) => set('Set its depth', 'depth', depth)}
        />
        <QuantityField
          label="Dug by hand, each side"
          usual={`${text(showSmall(USUAL_HAND_DIG, units))}, usual`}
          value={service.handDig}
          {...distanceUpTo(units, 20, 'Hand digging is')}
          optional
          onCommit={(width) => set('Set the hand-dig width', 'handDig', width)}
        />
      </View>
      <Choice
        label="Whose it is"
        value={service.owner ?? 'public'}
        options={[
          { value: 'public', label: 'Public', note: 'the locating service marks it' },
          { value: 'private', label: 'Private', note: 'nobody marks it unless asked' },
        ]}
        onChoose={(owner) => set('Say whose it is', 'owner', owner)}
      />
      <BesideRun element={service} />
      <Text kind="small">
        Call the locating service before any digging, and dig by hand near the marks: they are often a foot or two off.
      </Text>
    </>
  );
}

export const serviceView: ElementView<Service> = {
  Form,
  list: {
    group: 'inTheWay',
    about: ({ form, markedBy, depth }, { units }) => ({
      about: `${FACTS[form].label.toLowerCase()}, ${markedBy === undefined ? 'not marked yet' : `marked by ${markedBy}`}`,
      ...(depth === undefined ? {} : { figure: showSmall(depth, units) }),
    }),
  },
  onPlan: ({ form, handDig = USUAL_HAND_DIG }, { path, scale, chosen }) => (
    <>
      <Path
        d={path}
        fill="none"
        stroke={SERVICE_PAINT[form].paint}
        strokeWidth={Math.max(6, 2 * handDig * scale)}
        opacity={0.14}
      />
      <Path
        d={path}
        fill="none"
        stroke={SERVICE_PAINT[form].paint}
        strokeWidth={chosen ? 5 : 3}
        strokeDasharray="14 5"
      />
    </>
  ),
};
