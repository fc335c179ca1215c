/** What is known of an existing main: its size, pitch and make, and what others send down it. */
import {
  intoMainBy,
  MATERIAL_FACTS,
  MATERIALS,
  mainCapacityOf,
  put,
  showFlow,
  text,
  type Discharge,
} from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { boreEntry, flowEntry, pitchEntry } from '../../input/entry';
import { without } from '../../input/without';
import { SPACE } from '../../theme/tokens';
import { Choice } from '../../ui/Choice';
import { fieldRow } from '../../ui/rows';
import { Text } from '../../ui/Text';

export function MainFields({ discharge }: { discharge: Discharge }) {
  const { edit, units } = useJob();
  const set = (label: string, key: keyof Discharge, value: unknown): string | null =>
    edit(put(label, without(discharge, key, value)));
  const holds = mainCapacityOf(discharge);
  return (
    <View style={{ gap: SPACE.m }}>
      <View style={fieldRow}>
        <QuantityField
          label="Inside diameter of the main"
          usual="not known"
          value={discharge.mainDiameter}
          {...boreEntry(units)}
          optional
          onCommit={(diameter) => set('Set the main’s size', 'mainDiameter', diameter)}
        />
        <QuantityField
          label="Pitch of the main"
          usual="not known"
          value={discharge.mainPitch}
          {...pitchEntry}
          optional
          onCommit={(pitch) => set('Set the main’s pitch', 'mainPitch', pitch)}
        />
        <QuantityField
          label="Others send down it"
          usual="nothing"
          value={discharge.mainUsed}
          {...flowEntry(units)}
          optional
          onCommit={(flow) => set('Set what the main carries', 'mainUsed', flow)}
        />
        <QuantityField
          label="It holds, full"
          usual={holds === null ? 'not known' : `${text(showFlow(holds, units))}, by its size and pitch`}
          value={discharge.mainCapacity}
          {...flowEntry(units)}
          optional
          onCommit={(flow) => set('Set what the main holds', 'mainCapacity', flow)}
        />
      </View>
      <Choice
        label="What it carries"
        value={discharge.mainIs ?? null}
        options={[
          { value: 'storm', label: 'Rain' },
          { value: 'sanitary', label: 'Sewage', note: 'no rain into it' },
          { value: 'unknown', label: 'Nobody knows', note: 'ask before you dig' },
        ]}
        onChoose={(is) => set('Say what the main carries', 'mainIs', is)}
      />
      <Choice
        label="Made of"
        value={discharge.mainMaterial ?? 'clay'}
        options={MATERIALS.map((value) => ({ value, label: MATERIAL_FACTS[value].label }))}
        onChoose={(material) => set('Say what the main is made of', 'mainMaterial', material)}
      />
      <Choice
        label="How the line joins it"
        value={intoMainBy(discharge)}
        options={[
          { value: 'wye', label: 'By a wye', note: 'spliced in with two couplings' },
          { value: 'tap', label: 'By a tap', note: 'through its wall' },
        ]}
        onChoose={(by) => set('Say how it comes into the main', 'joinedBy', by)}
      />
      {discharge.mainDiameter !== undefined && discharge.mainPitch !== undefined && (
        <Text kind="small">Its own water is worked out from these, unless you say below at what level it stands.</Text>
      )}
    </View>
  );
}
