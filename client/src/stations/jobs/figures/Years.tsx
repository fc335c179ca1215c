/** A year: what was asked and left, each job with its own, and the page to print. */
import { money, type LedgerJob } from '@katabasis/core';
import { COST_LABELS, percent, yearOf, yearsOf, type Year, type YearJob } from '@katabasis/core/ledger';
import { useRouter } from 'expo-router';
import FileText from 'lucide-react-native/icons/file-text';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { saveFile } from '../../../files/files';
import { api } from '../../../sync/api';
import { whyNot } from '../../../sync/ask';
import { useStyles } from '../../../theme/theme';
import { SPACE, TOUCH, type Palette } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Figure } from '../../../ui/Figure';
import { Mark } from '../../../ui/Mark';
import { Press } from '../../../ui/Press';
import { figureRow } from '../../../ui/rows';
import { Text } from '../../../ui/Text';

const make = (palette: Palette) => ({
  row: {
    borderTopWidth: 1,
    borderTopColor: palette.line,
    minHeight: TOUCH + 8,
    paddingVertical: SPACE.xs,
    flexDirection: 'row' as const,
    gap: SPACE.m,
    alignItems: 'center' as const,
  },
  cost: { flexDirection: 'row' as const, gap: SPACE.m, minHeight: 28 },
});

/** Jobs of a year that are drawn before the rest is asked for. */
const FIRST = 12;

export function Years({ jobs, currency }: { jobs: readonly LedgerJob[]; currency: string }) {
  const years = useMemo(() => yearsOf(jobs), [jobs]);
  const [chosen, setChosen] = useState<string | null>(null);
  const at = chosen ?? years[0];
  const year = useMemo(() => (at === undefined ? null : yearOf(jobs, at, currency)), [jobs, at, currency]);
  if (!year) return <Text>No job says yet on which day it was done: none stands in a year.</Text>;
  return (
    <View style={{ gap: SPACE.m }} testID="year">
      {years.length > 1 && (
        <Choice
          label="Year"
          value={year.year}
          options={years.map((value) => ({ value, label: value }))}
          onChoose={setChosen}
        />
      )}
      <Sums year={year} />
      <Jobs year={year} />
      <Papers year={year.year} />
    </View>
  );
}

function Sums({ year }: { year: Year }) {
  const styles = useStyles(make);
  const { currency, asked, earned, costs, overhead, complaints, hours, open, jobs, lost } = year;
  const said = (amount: number): string => money(Math.round(amount), currency);
  if (jobs.length === 0)
    return (
      <Text>
        {open === 1 ? 'One job of' : `${open} jobs of`} {year.year}, not settled yet: what was left stands here once all
        bills are in.
      </Text>
    );
  return (
    <View style={{ gap: SPACE.s }}>
      <View style={figureRow}>
        <Figure
          label={`${earned < 0 ? 'Lost' : 'Left'} in ${year.year}`}
          shown={{ value: said(Math.abs(earned)), unit: '' }}
        />
        <Figure label="Of what was asked" shown={{ value: said(asked), unit: '' }} />
        {asked > 0 && <Figure label="Share" shown={{ value: percent(earned / asked), unit: '' }} />}
      </View>
      <View>
        {costs.map(({ of, planned, came }) => (
          <View key={of} style={styles.cost}>
            <View style={{ flex: 1 }}>
              <Text>{COST_LABELS[of]}</Text>
              <Text kind="small">planned {said(planned)}</Text>
            </View>
            <Text kind="strong">{said(came)}</Text>
          </View>
        ))}
        <View style={styles.cost}>
          <View style={{ flex: 1 }}>
            <Text>The firm’s own costs</Text>
          </View>
          <Text kind="strong">{said(overhead)}</Text>
        </View>
        {complaints.count > 0 && (
          <View style={styles.cost}>
            <View style={{ flex: 1 }}>
              <Text>Put right at our cost</Text>
              <Text kind="small">{complaints.count === 1 ? '1 complaint' : `${complaints.count} complaints`}</Text>
            </View>
            <Text kind="strong">{said(complaints.cost)}</Text>
          </View>
        )}
      </View>
      <Text>
        {jobs.length === 1 ? 'One job' : `${jobs.length} jobs`} settled, {lost === 0 ? 'none' : lost} at a loss
        {open > 0 ? `; ${open} not settled yet` : ''}.
        {hours.took > 0 &&
          ` ${Math.round(hours.took)}\u00a0h of the crew where ${Math.round(hours.planned)} were planned.`}
      </Text>
    </View>
  );
}

function Jobs({ year }: { year: Year }) {
  const [all, setAll] = useState(false);
  const { jobs, currency } = year;
  return (
    <View role="list">
      {(all ? jobs : jobs.slice(0, FIRST)).map((job) => (
        <JobLine key={job.id} job={job} currency={currency} />
      ))}
      {!all && jobs.length > FIRST && (
        <View style={{ flexDirection: 'row' }}>
          <Button label={`All ${jobs.length} jobs`} kind="bare" onPress={() => setAll(true)} />
        </View>
      )}
    </View>
  );
}

function JobLine({ job, currency }: { job: YearJob; currency: string }) {
  const styles = useStyles(make);
  const router = useRouter();
  const { id, name, asked, earned } = job;
  const words = `${earned < 0 ? 'lost' : 'left'} ${money(Math.abs(earned), currency)} of ${money(asked, currency)}`;
  return (
    <View role="listitem">
      <Press
        role="link"
        onPress={() => router.navigate(`/job/${id}/keep?at=~out`)}
        style={styles.row}
        aria-label={`${name}: ${words}`}
        testID={`year-${id}`}
      >
        <Mark kind={earned < 0 ? 'fix' : 'holds'} />
        <View style={{ flex: 1 }}>
          <Text>{name}</Text>
          <Text kind="small">{words}</Text>
        </View>
      </Press>
    </View>
  );
}

/** The page of a year, on paper and for a spreadsheet. */
function Papers({ year }: { year: string }) {
  const [wrong, setWrong] = useState<string | null>(null);
  const get = async (file: string): Promise<void> => {
    setWrong(null);
    try {
      saveFile(`year-${file}`, await api.yearPaper(file, navigator.language === 'en-US' ? 'letter' : 'a4'));
    } catch (error) {
      setWrong(whyNot(error, 'It could not be made.'));
    }
  };
  return (
    <View style={{ gap: SPACE.s }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button label="The year on paper" icon={FileText} onPress={() => void get(`${year}.pdf`)} testID="year-pdf" />
        <Button label="Its jobs (CSV)" icon={FileText} onPress={() => void get(`${year}.csv`)} testID="year-csv" />
      </View>
      {wrong !== null && (
        <Text tone="stop" role="alert">
          {wrong}
        </Text>
      )}
    </View>
  );
}
