/** A new job in the fewest answers, with its verdict under the thumb from the first complete one. */
import { byCompany, freshId, jobFrom, quickElements, type Verdict } from '@katabasis/core';
import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import Minus from 'lucide-react-native/icons/minus';
import Plus from 'lucide-react-native/icons/plus';
import { useMemo } from 'react';
import { type FieldPath } from 'react-hook-form';
import { ScrollView, View } from 'react-native';
import { planHere } from '../../planning/planner';
import { useCompany } from '../../files/offices';
import { freeJobName, startJob } from '../../sync/sessions';
import { useStyles, useWide } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Mark } from '../../ui/Mark';
import { Text } from '../../ui/Text';
import {
  emptyDraft,
  emptyRow,
  INLET_WORDS,
  inUnits,
  keepDraft,
  hasNoLine,
  headElements,
  readDraft,
  type Draft,
  type Lack,
} from './draft';
import { Box, InletRow, Rain, WayOut } from './NewJobParts';
import { PageHead } from './SidePage';
import { pageColumn } from '../../ui/rows';
import { type Page, usePage } from './useNewJob';

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
  title: { flexDirection: 'row' as const, alignItems: 'center' as const, gap: SPACE.s },
  taken: { flexDirection: 'row' as const, flexWrap: 'wrap' as const, alignItems: 'center' as const, gap: SPACE.s },
  row: { flexDirection: 'row' as const, gap: SPACE.s, flexWrap: 'wrap' as const },
});

const NOBODY = {};

export function NewJobScreen() {
  const styles = useStyles(make);
  const router = useRouter();
  const client = useQueryClient();
  const page = usePage();
  const company = useCompany().data ?? NOBODY;
  const { form, draft, stations, become } = page;
  const { control, getValues, setFocus, setValue } = form;
  const read = useMemo(() => readDraft(draft, stations), [draft, stations]);
  const verdict = useMemo(
    () => (read.ok ? planHere(jobFrom('new', byCompany(quickElements(read.job), company))).verdict : null),
    [read, company],
  );
  const create = form.handleSubmit(() => {
    if (!read.ok) return;
    const id = freshId('j');
    startJob(id, byCompany(quickElements({ ...read.job, name: freeJobName(client, read.job.name) }), company), client);
    keepDraft(null);
    router.replace(`/job/${id}/plan`);
  });
  /** Begins on the ground plan; what was typed of a line stays here. */
  const measure = (): void => {
    const id = freshId('j');
    const name = freeJobName(client, draft.name.trim() || 'New job');
    startJob(id, byCompany(headElements(draft, stations, name), company), client);
    if (hasNoLine(draft)) keepDraft(null);
    router.replace(`/job/${id}/yard`);
  };
  return (
    <View style={styles.page} role="main">
      <ScrollView contentContainerStyle={styles.body} keyboardShouldPersistTaps="handled">
        <PageHead title="New job" />
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
        <Inlets page={page} />
        <WayOut control={control} draft={draft} set={(next) => become({ ...getValues(), ...next })} />
        <View style={{ flexDirection: 'row' }}>
          <Button
            label="Empty this page"
            kind="bare"
            onPress={() => page.discard('The page was emptied.', emptyDraft())}
          />
        </View>
      </ScrollView>
      <Foot
        page={page}
        verdict={verdict}
        lacks={read.ok ? [] : read.lacks}
        onLack={setFocus}
        onCreate={() => void create()}
        onMeasure={measure}
      />
    </View>
  );
}

/** Where water comes in: a row each, one more and one less. */
function Inlets({ page: { form, draft, become, discard } }: { page: Page }) {
  const styles = useStyles(make);
  const { rows } = draft;
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">Where water comes in, highest first</Text>
      <Text kind="small">
        {draft.units === 'us'
          ? `Areas as 1200 or 40x30. Levels from your zero. Distances as 40, 40'6" or 40 6.`
          : 'Areas as 110 or 12x9. Levels from your zero. Distances as 12.5.'}
      </Text>
      {rows.map((_, index) => (
        <InletRow
          key={index}
          control={form.control}
          draft={draft}
          index={index}
          onKind={(kind) => form.setValue(`rows.${index}.kind`, kind, { shouldValidate: true })}
        />
      ))}
      <View style={styles.row}>
        <Button
          label="One more"
          icon={Plus}
          onPress={() => become({ ...form.getValues(), rows: [...rows, emptyRow(rows.at(-1)?.kind)] })}
        />
        <Button
          label="One less"
          icon={Minus}
          disabled={rows.length < 2}
          onPress={() =>
            discard(`${INLET_WORDS[rows.at(-1)!.kind].label} ${rows.length} was taken out.`, {
              rows: rows.slice(0, -1),
            })
          }
        />
      </View>
    </View>
  );
}

interface FootProps {
  page: Page;
  /** Null until every answer is there. */
  verdict: Verdict | null;
  lacks: readonly Lack[];
  onLack: (path: FieldPath<Draft>) => void;
  onCreate: () => void;
  onMeasure: () => void;
}

/** What comes of it so far, within the thumb's reach, and both ways to go on. */
function Foot({ page, verdict, lacks, onLack, onCreate, onMeasure }: FootProps) {
  const styles = useStyles(make);
  const wide = useWide();
  // What is wrong before what is only not there yet. A tap goes to it.
  const lack = lacks.find(({ missing }) => !missing) ?? lacks[0];
  return (
    <View style={[styles.foot, wide && styles.footInRow]} aria-live="polite">
      <View style={wide ? styles.said : styles.stacked}>
        {page.gone !== null && (
          <View style={styles.taken} role="status">
            <Text>{page.gone}</Text>
            <Button label="Take that back" onPress={page.bringBack} testID="new-back" />
          </View>
        )}
        {verdict && (
          <View style={styles.title} testID="new-verdict">
            <Mark kind={verdict.state} size={24} />
            <Text kind="strong" style={{ flex: 1 }}>
              {verdict.sentence}
            </Text>
          </View>
        )}
        {lack && (
          <View style={{ flexDirection: 'row', justifyContent: wide ? 'flex-start' : 'center' }}>
            <Button kind="bare" label={lack.sentence} onPress={() => onLack(lack.path as FieldPath<Draft>)} />
          </View>
        )}
      </View>
      <Button label="Make the plan" kind="main" disabled={!verdict} onPress={onCreate} testID="new-create" />
      <Button label="Measure the yard first" onPress={onMeasure} testID="new-measure" />
    </View>
  );
}
