/** Where water was seen. */
import { put, showSmall, WET_FORMS, type WetForm, type WetSpot } from '@katabasis/core';
import { View } from 'react-native';
import { Path } from 'react-native-svg';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { hoursEntry, smallEntry } from '../../input/entry';
import { without } from '../../input/without';
import { DayField } from '../../parts/Day';
import { OwnName } from '../../parts/forms/OwnName';
import { WhyWet } from '../../parts/WhyWet';
import { Choice } from '../../ui/Choice';
import { fieldRow } from '../../ui/rows';
import type { ElementView, FormProps } from '../view';

const LABELS: Record<WetForm, { label: string; note: string }> = {
  standing: { label: 'Water stands', note: 'you can see it' },
  soft: { label: 'Soft ground', note: 'no water to be seen' },
  washedOut: { label: 'Washed out', note: 'soil or mulch is gone' },
  wetBasement: { label: 'Wet basement', note: 'or a crawl space' },
};

function Form({ element: wet, onGo }: FormProps<WetSpot>) {
  const { edit, units } = useJob();
  const set = (label: string, key: keyof WetSpot, value: unknown): string | null =>
    edit(put(label, without(wet, key, value)));
  return (
    <>
      <WhyWet wet={wet} onGo={onGo} />
      <Choice
        label="What was seen"
        value={wet.form}
        options={WET_FORMS.map((value) => ({ value, ...LABELS[value] }))}
        onChoose={(form) => set('Say what was seen', 'form', form)}
      />
      <View style={fieldRow}>
        <OwnName element={wet} />
        <QuantityField
          label="Deep"
          usual="not measured"
          value={wet.depth}
          {...smallEntry(units, 0, 10, 'Water is')}
          optional
          onCommit={(depth) => set('Set how deep', 'depth', depth)}
        />
        <QuantityField
          label="After the rain"
          usual="not said"
          value={wet.hours}
          {...hoursEntry}
          optional
          onCommit={(hours) => set('Say how long after rain', 'hours', hours)}
        />
        <DayField label="Seen on" value={wet.seenOn} onCommit={(day) => set('Say when it was seen', 'seenOn', day)} />
      </View>
    </>
  );
}

export const wetSpotView: ElementView<WetSpot> = {
  Form,
  list: {
    group: 'levels',
    about: ({ form, depth }, { units }) => ({
      about: LABELS[form].label.toLowerCase(),
      ...(depth === undefined ? {} : { figure: showSmall(depth, units) }),
    }),
  },
  onPlan: ({ form }, { spots: [at], water, ground, ink, chosen }) => (
    <Path
      d={`M${at!.x} ${at!.y - 13}C${at!.x + 12} ${at!.y} ${at!.x + 10} ${at!.y + 11} ${at!.x} ${at!.y + 11}C${at!.x - 10} ${at!.y + 11} ${at!.x - 12} ${at!.y} ${at!.x} ${at!.y - 13}Z`}
      fill={form === 'standing' ? water : ground}
      stroke={chosen ? ink : water}
      strokeWidth={chosen ? 4 : 2.5}
    />
  ),
};
