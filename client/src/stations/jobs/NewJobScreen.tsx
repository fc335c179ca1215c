/** A new job in the fewest answers, with its verdict under the thumb from the first complete one. */
import {
  decimals,
  designRain,
  freshId,
  jobFrom,
  quickElements,
  type Discharge,
  type QuickDownspout,
  type RainElement,
  type UnitSystem,
} from '@katabasis/core';
import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import Plus from 'lucide-react-native/icons/plus';
import Minus from 'lucide-react-native/icons/minus';
import { useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { useStations } from '../../data/queries';
import { startJob } from '../../data/sessions';
import { useStyles } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { areaEntry, lengthEntry, levelEntry, rainEntry, type Entry } from '../../input/entry';
import { TextBox } from '../../input/Field';
import { Mark } from '../../ui/Mark';
import { pageColumn } from '../../ui/rows';
import { Text } from '../../ui/Text';
import { emptyDraft, emptyRow, keepDraft, keptDraft, type Draft, type DraftRow } from './draft';
import { planHere } from '../../data/planner';

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
  row: { flexDirection: 'row' as const, gap: SPACE.s, flexWrap: 'wrap' as const },
  spout: { borderTopWidth: 1, borderTopColor: palette.line, paddingTop: SPACE.s, gap: SPACE.xs },
});

const TEN_YEARS = 10;

/** What was typed, as numbers; null for what is still missing or wrong. */
function readRow(row: DraftRow, units: UnitSystem): QuickDownspout | null {
  const area = areaEntry(units).parse(row.area);
  const ground = levelEntry(units).parse(row.ground === '' ? '0' : row.ground);
  const length = lengthEntry(units).parse(row.toNext);
  return area.ok && ground.ok && length.ok
    ? { roofArea: area.value, groundLevel: ground.value, toNext: length.value }
    : null;
}

function useRain(draft: Draft): RainElement | null {
  const stations = useStations();
  const typed = draft.rain.trim() === '' ? null : rainEntry(draft.units).parse(draft.rain);
  if (typed?.ok) return { id: 'rain', kind: 'rain', intensity: typed.value, source: { type: 'typed' } };
  const station = stations.data?.find((each) => each.id === draft.station);
  if (!station) return null;
  return {
    id: 'rain',
    kind: 'rain',
    ...designRain(station, TEN_YEARS),
    source: {
      type: 'office',
      station: station.id,
      place: station.place,
      returnPeriod: TEN_YEARS,
      duration: station.durations[0]!,
    },
  };
}

export function NewJobScreen() {
  const styles = useStyles(make);
  const router = useRouter();
  const client = useQueryClient();
  const stations = useStations();
  const [draft, setDraft] = useState<Draft>(keptDraft);
  const [before, setBefore] = useState<{ label: string; draft: Draft } | null>(null);
  const change = (next: Partial<Draft>): void => {
    const whole = { ...draft, ...next };
    keepDraft(whole);
    setDraft(whole);
  };
  /** Something goes: it can be taken back until the next thing goes. */
  const discard = (label: string, next: Partial<Draft>): void => {
    setBefore({ label, draft });
    change(next);
  };
  const bringBack = (): void => {
    if (before) change(before.draft);
    setBefore(null);
  };
  const setRow = (index: number, next: Partial<DraftRow>): void =>
    change({ rows: draft.rows.map((row, k) => (k === index ? { ...row, ...next } : row)) });
  const rain = useRain(draft);
  const out = levelEntry(draft.units).parse(draft.outLevel);
  const rows = draft.rows.map((row) => readRow(row, draft.units));
  const missing = whatIsMissing(draft, rows, out.ok, rain !== null);
  const elements = useMemo(() => {
    if (missing !== null || !out.ok) return null;
    return quickElements({
      name: draft.name.trim() || 'New job',
      units: draft.units,
      rain,
      downspouts: rows.filter((row) => row !== null),
      wayOut: { form: draft.form, receiving: draft.receiving, groundLevel: out.value },
    });
  }, [missing, draft, rain, rows, out]);
  const verdict = elements ? planHere(jobFrom('new', elements)).verdict : null;
  const create = (): void => {
    if (!elements) return;
    const id = freshId('j');
    startJob(id, elements, client);
    keepDraft(null);
    router.replace(`/job/${id}/plan`);
  };
  const level = levelEntry(draft.units);
  const us = draft.units === 'us';
  return (
    <View style={styles.page} role="main">
      <ScrollView contentContainerStyle={styles.body} keyboardShouldPersistTaps="handled">
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
          <Button label="All jobs" icon={ArrowLeft} iconOnly kind="bare" onPress={() => router.navigate('/')} />
          <Text kind="title">New job</Text>
        </View>
        <View style={styles.row}>
          <View style={{ flex: 2, minWidth: 200 }}>
            <TextBox
              label="Name"
              words
              usual="New job"
              text={draft.name}
              onText={(name) => change({ name })}
              testID="new-name"
            />
          </View>
          <Choice
            label="Units"
            value={draft.units}
            options={[
              { value: 'us', label: 'Feet' },
              { value: 'metric', label: 'Metric' },
            ]}
            onChoose={(units) => change({ units })}
          />
        </View>
        <View style={{ gap: SPACE.s }}>
          {stations.data && (
            <Choice
              label="10-year 5-minute rain at"
              value={draft.rain.trim() === '' ? draft.station : null}
              options={stations.data.map((each) => ({ value: each.id, label: each.place }))}
              onChoose={(station) => change({ station, rain: '' })}
            />
          )}
          <Typed
            label={stations.data ? 'Or your own rain' : 'Design rain'}
            entry={rainEntry(draft.units)}
            text={draft.rain}
            usual={us ? '6 in/h' : '150 mm/h'}
            onText={(rainText) => change({ rain: rainText })}
          />
        </View>
        <View style={{ gap: SPACE.s }}>
          <Text kind="heading">Downspouts, highest first</Text>
          <Text kind="small">
            {us
              ? `Roof as 1200 or 40x30. Ground from your zero. Distance as 40, 40'6" or 40 6.`
              : 'Roof as 110 or 12x9. Ground from your zero. Distance as 12.5.'}
          </Text>
          {draft.rows.map((row, index) => (
            <View key={index} style={styles.spout} role="group" aria-label={`Downspout ${index + 1}`}>
              <View style={styles.row}>
                <Typed
                  label={`${index + 1}. Roof`}
                  entry={areaEntry(draft.units)}
                  text={row.area}
                  usual={us ? '1200' : '110'}
                  onText={(area) => setRow(index, { area })}
                  testID={`new-area-${index + 1}`}
                />
                <Typed
                  label="Ground"
                  entry={level}
                  text={row.ground}
                  usual="0"
                  onText={(ground) => setRow(index, { ground })}
                  testID={`new-ground-${index + 1}`}
                />
                <Typed
                  label={index + 1 < draft.rows.length ? 'To the next' : 'To the way out'}
                  entry={lengthEntry(draft.units)}
                  text={row.toNext}
                  usual={us ? '40' : '12.5'}
                  onText={(toNext) => setRow(index, { toNext })}
                  testID={`new-length-${index + 1}`}
                />
              </View>
            </View>
          ))}
          <View style={styles.row}>
            <Button label="One more" icon={Plus} onPress={() => change({ rows: [...draft.rows, emptyRow()] })} />
            <Button
              label="One less"
              icon={Minus}
              disabled={draft.rows.length < 2}
              onPress={() =>
                discard(`Downspout ${draft.rows.length} was taken out.`, { rows: draft.rows.slice(0, -1) })
              }
            />
          </View>
        </View>
        <View style={{ gap: SPACE.s }}>
          <Text kind="heading">The way out</Text>
          <View style={styles.row}>
            <Choice<Discharge['receiving']>
              label="Into"
              value={draft.receiving}
              options={[
                { value: 'swale', label: 'Swale' },
                { value: 'ditch', label: 'Ditch' },
                { value: 'slope', label: 'Slope' },
                { value: 'street', label: 'Street' },
                { value: 'lawn', label: 'Lawn' },
              ]}
              onChoose={(receiving) => change({ receiving })}
            />
            <Choice<Draft['form']>
              label="By"
              value={draft.form}
              options={[
                { value: 'daylight', label: 'Daylight' },
                { value: 'popup', label: 'Pop-up' },
              ]}
              onChoose={(form) => change({ form })}
            />
          </View>
          <Typed
            label="Its level, from the same zero as the ground"
            entry={level}
            text={draft.outLevel}
            usual={us ? '-3' : '-0.9'}
            hint="Into a swale or a ditch the ground is taken as even to the top of its bank"
            onText={(outLevel) => change({ outLevel })}
            testID="new-out"
          />
        </View>
        <View style={{ flexDirection: 'row' }}>
          <Button label="Empty this page" kind="bare" onPress={() => discard('The page was emptied.', emptyDraft())} />
        </View>
      </ScrollView>
      <View style={styles.foot} aria-live="polite">
        {before && (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: SPACE.s }} role="status">
            <Text>{before.label}</Text>
            <Button label="Take that back" onPress={bringBack} testID="new-back" />
          </View>
        )}
        {verdict ? (
          <View style={{ flexDirection: 'row', gap: SPACE.s, alignItems: 'center' }}>
            <Mark kind={verdict.state} size={24} />
            <Text kind="strong" style={{ flex: 1 }}>
              {verdict.sentence}
            </Text>
          </View>
        ) : (
          <Text tone="soft">{missing}</Text>
        )}
        <Button label="Make the plan" kind="main" disabled={!elements} onPress={create} testID="new-create" />
      </View>
    </View>
  );
}

function whatIsMissing(draft: Draft, rows: (QuickDownspout | null)[], out: boolean, rain: boolean): string | null {
  if (!rain) return 'Choose a rain, or type your own.';
  const row = rows.findIndex((each) => each === null);
  if (row >= 0) return `Downspout ${decimals(row + 1, 0)} still needs its roof, ground and distance.`;
  if (!out)
    return draft.outLevel.trim() === '' ? 'Say how low the way out lies.' : 'The level of the way out cannot be read.';
  return null;
}

interface TypedProps {
  label: string;
  entry: Entry;
  text: string;
  hint?: string;
  usual: string;
  onText: (text: string) => void;
  testID?: string;
}

/** A box that says what is wrong once it has been left. */
function Typed({ label, entry, text, usual, hint, onText, testID }: TypedProps) {
  const [left, setLeft] = useState(false);
  const parsed = text.trim() === '' ? null : entry.parse(text);
  return (
    <TextBox
      label={label}
      text={text}
      usual={usual}
      onText={onText}
      onDone={() => setLeft(true)}
      wrong={left && parsed && !parsed.ok ? parsed.sentence : null}
      least={96}
      {...(hint ? { hint } : {})}
      {...(testID ? { testID } : {})}
    />
  );
}
