/** A new job in the fewest answers, with its verdict under the thumb from the first complete one. */
import {
  freshId,
  jobFrom,
  QUICK_INLETS,
  quickElements,
  type Discharge,
  type QuickInletKind,
  type RainStation,
} from '@katabasis/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import Minus from 'lucide-react-native/icons/minus';
import Plus from 'lucide-react-native/icons/plus';
import { useEffect, useMemo, useState } from 'react';
import { Controller, useForm, useWatch, type Control, type FieldPath, type Resolver } from 'react-hook-form';
import { ScrollView, View } from 'react-native';
import { planHere } from '../../planning/planner';
import { useStations } from '../../sync/records';
import { freeJobName, startJob } from '../../sync/sessions';
import { areaEntry, lengthEntry, levelEntry, rainEntry } from '../../input/entry';
import { TextBox, type BoxProps } from '../../input/TextBox';
import { useStyles, useWide } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Mark } from '../../ui/Mark';
import { pageColumn } from '../../ui/rows';
import { Text } from '../../ui/Text';
import {
  draftForm,
  emptyDraft,
  emptyRow,
  INLET_WORDS,
  inUnits,
  keepDraft,
  keptDraft,
  hasNoLine,
  headElements,
  readDraft,
  type Draft,
  type Lack,
} from './draft';

const make = (palette: Palette) => ({
  page: { flex: 1, backgroundColor: palette.ground },
  body: { ...pageColumn, paddingBottom: 40 },
  foot: {
    borderTopWidth: 1.5,
    borderTopColor: palette.ink,
    padding: SPACE.m,
    gap: SPACE.s,
    backgroundColor: palette.ground,
  },
  /** Where the screen is wide, or low: what is said and both buttons in one row. */
  footInRow: { flexDirection: 'row' as const, alignItems: 'center' as const },
  stacked: { gap: SPACE.s },
  said: { flex: 1, gap: SPACE.s },
  taken: { flexDirection: 'row' as const, flexWrap: 'wrap' as const, alignItems: 'center' as const, gap: SPACE.s },
  row: { flexDirection: 'row' as const, gap: SPACE.s, flexWrap: 'wrap' as const },
  inlet: { borderTopWidth: 1, borderTopColor: palette.line, paddingTop: SPACE.s, gap: SPACE.xs },
});

const NO_STATIONS: readonly RainStation[] = [];

export function NewJobScreen() {
  const styles = useStyles(make);
  const wide = useWide();
  const router = useRouter();
  const client = useQueryClient();
  const stations = useStations().data ?? NO_STATIONS;
  const [before, setBefore] = useState<{ label: string; draft: Draft } | null>(null);
  const resolver = useMemo(() => zodResolver(draftForm(stations)) as unknown as Resolver<Draft>, [stations]);
  const { control, reset, getValues, setFocus, setValue, handleSubmit } = useForm<Draft>({
    defaultValues: keptDraft(),
    mode: 'onTouched',
    resolver,
  });
  const draft = useWatch({ control }) as Draft;
  useEffect(() => keepDraft(draft), [draft]);
  /** The whole page anew: what was wrong in a box is still told there. */
  const become = (next: Draft): void => reset(next, { keepTouched: true, keepErrors: true });
  /** Something goes: it can be taken back until the next thing goes. */
  const discard = (label: string, next: Partial<Draft>): void => {
    const now = getValues();
    setBefore({ label, draft: now });
    become({ ...now, ...next });
  };
  const bringBack = (): void => {
    if (before) become(before.draft);
    setBefore(null);
  };
  const read = useMemo(() => readDraft(draft, stations), [draft, stations]);
  const verdict = useMemo(() => (read.ok ? planHere(jobFrom('new', quickElements(read.job))).verdict : null), [read]);
  const create = handleSubmit(() => {
    if (!read.ok) return;
    const id = freshId('j');
    startJob(id, quickElements({ ...read.job, name: freeJobName(client, read.job.name) }), client);
    keepDraft(null);
    router.replace(`/job/${id}/plan`);
  });
  /** Begins on the ground plan; what was typed of a line stays here. */
  const measure = (): void => {
    const id = freshId('j');
    const name = freeJobName(client, draft.name.trim() || 'New job');
    startJob(id, headElements(draft, stations, name), client);
    if (hasNoLine(draft)) keepDraft(null);
    router.replace(`/job/${id}/yard`);
  };
  return (
    <View style={styles.page} role="main">
      <ScrollView contentContainerStyle={styles.body} keyboardShouldPersistTaps="handled">
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
          <Button label="All jobs" icon={ArrowLeft} iconOnly kind="bare" onPress={() => router.navigate('/')} />
          <Text kind="title">New job</Text>
        </View>
        <View style={styles.row}>
          <View style={{ flex: 2, minWidth: 200 }}>
            <Box control={control} name="name" label="Name" words usual="New job" testID="new-name" />
          </View>
          <Choice
            label="Units"
            value={draft.units}
            options={[
              { value: 'us', label: 'Feet' },
              { value: 'metric', label: 'Metric' },
            ]}
            onChoose={(units) => become(inUnits(getValues(), units))}
          />
        </View>
        <Rain
          control={control}
          draft={draft}
          stations={stations}
          onStation={(station) => {
            setValue('station', station);
            setValue('rain', '', { shouldValidate: true });
          }}
        />
        <View style={{ gap: SPACE.s }}>
          <Text kind="heading">Where water comes in, highest first</Text>
          <Text kind="small">
            {draft.units === 'us'
              ? `Areas as 1200 or 40x30. Levels from your zero. Distances as 40, 40'6" or 40 6.`
              : 'Areas as 110 or 12x9. Levels from your zero. Distances as 12.5.'}
          </Text>
          {draft.rows.map((_, index) => (
            <InletRow
              key={index}
              control={control}
              draft={draft}
              index={index}
              onKind={(kind) => setValue(`rows.${index}.kind`, kind, { shouldValidate: true })}
            />
          ))}
          <View style={styles.row}>
            <Button
              label="One more"
              icon={Plus}
              onPress={() => become({ ...getValues(), rows: [...draft.rows, emptyRow(draft.rows.at(-1)?.kind)] })}
            />
            <Button
              label="One less"
              icon={Minus}
              disabled={draft.rows.length < 2}
              onPress={() =>
                discard(`${INLET_WORDS[draft.rows.at(-1)!.kind].label} ${draft.rows.length} was taken out.`, {
                  rows: draft.rows.slice(0, -1),
                })
              }
            />
          </View>
        </View>
        <WayOut control={control} draft={draft} set={(next) => become({ ...getValues(), ...next })} />
        <View style={{ flexDirection: 'row' }}>
          <Button label="Empty this page" kind="bare" onPress={() => discard('The page was emptied.', emptyDraft())} />
        </View>
      </ScrollView>
      <View style={[styles.foot, wide && styles.footInRow]} aria-live="polite">
        <View style={wide ? styles.said : styles.stacked}>
          {before && (
            <View style={styles.taken} role="status">
              <Text>{before.label}</Text>
              <Button label="Take that back" onPress={bringBack} testID="new-back" />
            </View>
          )}
          {verdict ? (
            <View style={{ flexDirection: 'row', gap: SPACE.s, alignItems: 'center' }} testID="new-verdict">
              <Mark kind={verdict.state} size={24} />
              <Text kind="strong" style={{ flex: 1 }}>
                {verdict.sentence}
              </Text>
            </View>
          ) : (
            !read.ok && (
              <View style={{ flexDirection: 'row', justifyContent: wide ? 'flex-start' : 'center' }}>
                <FirstLack lacks={read.lacks} onGo={(path) => setFocus(path)} />
              </View>
            )
          )}
        </View>
        <Button
          label="Make the plan"
          kind="main"
          disabled={!read.ok}
          onPress={() => void create()}
          testID="new-create"
        />
        <Button label="Measure the yard first" onPress={measure} testID="new-measure" />
      </View>
    </View>
  );
}

/** What the plan waits for: what is wrong before what is only not there yet. A tap goes to it. */
function FirstLack({ lacks, onGo }: { lacks: readonly Lack[]; onGo: (path: FieldPath<Draft>) => void }) {
  const { path, sentence } = lacks.find(({ missing }) => !missing) ?? lacks[0]!;
  return <Button kind="bare" label={sentence} onPress={() => onGo(path as FieldPath<Draft>)} />;
}

interface BoxOf extends Omit<BoxProps, 'text' | 'onText' | 'onDone' | 'wrong' | 'ref'> {
  control: Control<Draft>;
  name: FieldPath<Draft>;
}

/** A box of the page: says what is wrong once it has been left with something in it. */
function Box({ control, name, ...box }: BoxOf) {
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

function Rain({
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

function InletRow({
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

function WayOut({ control, draft, set }: PartProps & { set: (next: Partial<Draft>) => void }) {
  const styles = useStyles(make);
  const level = levelEntry(draft.units);
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">The way out</Text>
      <View style={styles.row}>
        <Choice
          label="Into"
          value={draft.receiving}
          options={RECEIVING}
          onChoose={(receiving) => set({ receiving: receiving as Draft['receiving'] })}
        />
        <Choice<Draft['form']>
          label="By"
          value={draft.form}
          options={[
            { value: 'daylight', label: 'Daylight' },
            { value: 'popup', label: 'Pop-up' },
          ]}
          onChoose={(form) => set({ form })}
        />
      </View>
      <View style={{ flexDirection: 'row' }}>
        <Box
          control={control}
          name="outLevel"
          label="Its level, from the same zero as the ground"
          usual={draft.units === 'us' ? '-3' : '-0.9'}
          unit={level.unit}
          inputMode={level.inputMode}
          hint="Into a swale or a ditch the ground is taken as even to the top of its bank"
          testID="new-out"
        />
      </View>
    </View>
  );
}
