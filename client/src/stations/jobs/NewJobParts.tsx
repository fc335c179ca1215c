/** What a new job is asked for: its rain, each place where water comes in, and the way out. */
import { QUICK_INLETS, type Discharge, type QuickInletKind, type RainStation } from '@katabasis/core';
import { Controller, type Control, type FieldPath } from 'react-hook-form';
import { View } from 'react-native';
import { areaEntry, lengthEntry, levelEntry, rainEntry } from '../../input/entry';
import { TextBox, type BoxProps } from '../../input/TextBox';
import { useStyles } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Choice } from '../../ui/Choice';
import { Text } from '../../ui/Text';
import { INLET_WORDS, type Draft } from './draft';

const make = (palette: Palette) => ({
  row: { flexDirection: 'row' as const, gap: SPACE.s, flexWrap: 'wrap' as const },
  inlet: { borderTopWidth: 1, borderTopColor: palette.line, paddingTop: SPACE.s, gap: SPACE.xs },
});

interface BoxOf extends Omit<BoxProps, 'text' | 'onText' | 'onDone' | 'wrong' | 'ref'> {
  control: Control<Draft>;
  name: FieldPath<Draft>;
}

/** A box of the page: says what is wrong once it has been left with something in it. */
export function Box({ control, name, ...box }: BoxOf) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => {
        const text = String(field.value ?? '');
        return (
          <TextBox
            {...box}
            ref={field.ref as never}
            text={text}
            onText={field.onChange}
            onDone={field.onBlur}
            wrong={text.trim() === '' ? null : (fieldState.error?.message ?? null)}
          />
        );
      }}
    />
  );
}

interface PartProps {
  control: Control<Draft>;
  draft: Draft;
}

export function Rain({
  control,
  draft,
  stations,
  onStation,
}: PartProps & { stations: readonly RainStation[]; onStation: (id: string) => void }) {
  const { unit, inputMode } = rainEntry(draft.units);
  return (
    <View style={{ gap: SPACE.s }}>
      {stations.length > 0 && (
        <Choice
          label="10-year 5-minute rain at (places of this demo are invented)"
          value={draft.rain.trim() === '' ? draft.station : null}
          options={stations.map((each) => ({ value: each.id, label: each.place }))}
          onChoose={onStation}
        />
      )}
      <View style={{ flexDirection: 'row' }}>
        <Box
          control={control}
          name="rain"
          label={stations.length > 0 ? 'Or your own rain' : 'Design rain'}
          usual={draft.units === 'us' ? '6 in/h' : '150 mm/h'}
          unit={unit}
          inputMode={inputMode}
          testID="new-rain"
        />
      </View>
    </View>
  );
}

export function InletRow({
  control,
  draft,
  index,
  onKind,
}: PartProps & { index: number; onKind: (kind: QuickInletKind) => void }) {
  const styles = useStyles(make);
  const { kind } = draft.rows[index]!;
  const { label, sheds, level } = INLET_WORDS[kind];
  const us = draft.units === 'us';
  const area = areaEntry(draft.units);
  const levels = levelEntry(draft.units);
  const length = lengthEntry(draft.units);
  const place = index + 1;
  return (
    <View style={styles.inlet} role="group" aria-label={`${label} ${place}`}>
      <Choice
        label={`What water ${place} comes in by`}
        hideLabel
        value={kind}
        options={QUICK_INLETS.map((value) => ({ value, label: INLET_WORDS[value].label }))}
        onChoose={onKind}
      />
      <View style={styles.row}>
        <Box
          control={control}
          name={`rows.${index}.area`}
          label={`${place}. ${sheds}`}
          usual={us ? '1200' : '110'}
          unit={area.unit}
          inputMode={area.inputMode}
          least={96}
          testID={`new-area-${place}`}
        />
        <Box
          control={control}
          name={`rows.${index}.ground`}
          label={level}
          usual="0"
          unit={levels.unit}
          inputMode={levels.inputMode}
          least={96}
          testID={`new-ground-${place}`}
        />
        <Box
          control={control}
          name={`rows.${index}.toNext`}
          label={place < draft.rows.length ? 'To the next' : 'To the way out'}
          usual={us ? '40' : '12.5'}
          unit={length.unit}
          inputMode={length.inputMode}
          least={96}
          testID={`new-length-${place}`}
        />
      </View>
    </View>
  );
}

const RECEIVING: readonly { value: Discharge['receiving']; label: string }[] = [
  { value: 'swale', label: 'Swale' },
  { value: 'ditch', label: 'Ditch' },
  { value: 'slope', label: 'Slope' },
  { value: 'street', label: 'Street' },
  { value: 'lawn', label: 'Lawn' },
];

export function WayOut({ control, draft, set }: PartProps & { set: (next: Partial<Draft>) => void }) {
  const styles = useStyles(make);
  const level = levelEntry(draft.units);
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">The way out</Text>
      <View style={styles.row}>
        {(draft.form === 'daylight' || draft.form === 'popup') && (
          <Choice
            label="Into"
            value={draft.receiving}
            options={RECEIVING}
            onChoose={(receiving) => set({ receiving: receiving as Draft['receiving'] })}
          />
        )}
        {draft.form === 'main' && (
          <Choice<Draft['mainIs']>
            label="It carries"
            value={draft.mainIs}
            options={[
              { value: 'storm', label: 'Rain' },
              { value: 'sanitary', label: 'Sewage' },
              { value: 'unknown', label: 'Nobody knows' },
            ]}
            onChoose={(mainIs) => set({ mainIs })}
          />
        )}
        <Choice<Draft['form']>
          label="By"
          value={draft.form}
          options={[
            { value: 'daylight', label: 'Daylight' },
            { value: 'popup', label: 'Pop-up' },
            { value: 'kerb', label: 'Through the kerb' },
            { value: 'main', label: 'Into a main' },
          ]}
          onChoose={(form) => set({ form })}
        />
      </View>
      <View style={{ flexDirection: 'row' }}>
        <Box
          control={control}
          name="outLevel"
          label={`${draft.form === 'main' ? 'Level of its floor' : 'Its level'}, from the same zero as the ground`}
          usual={draft.units === 'us' ? '-3' : '-0.9'}
          unit={level.unit}
          inputMode={level.inputMode}
          testID="new-out"
        />
      </View>
      {draft.form === 'daylight' && <Bank control={control} draft={draft} />}
      <Choice<Draft['under']>
        label="Over the trench"
        value={draft.under}
        options={[
          { value: 'turf', label: 'Lawn' },
          { value: 'slab', label: 'Walk or patio' },
          { value: 'cars', label: 'Drive' },
        ]}
        onChoose={(under) => set({ under })}
      />
    </View>
  );
}

/** How the ground drops to where the pipe comes out, where that was measured. */
function Bank({ control, draft: { units } }: PartProps) {
  const level = levelEntry(units);
  const length = lengthEntry(units);
  const styles = useStyles(make);
  return (
    <View style={styles.row}>
      <Box
        control={control}
        name="bankTop"
        label="Top of its bank"
        usual="not measured"
        unit={level.unit}
        inputMode={level.inputMode}
        testID="new-bank-top"
      />
      <Box
        control={control}
        name="bankLength"
        label="Length of the bank"
        usual={units === 'us' ? '10' : '3'}
        unit={length.unit}
        inputMode={length.inputMode}
        testID="new-bank-length"
      />
    </View>
  );
}
