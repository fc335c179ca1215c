/** A job's ways beside the company's: taken over from it, or kept as its own. */
import { headOf, put, type Company, type JobElement } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useChangeCompany, useCompany } from '../../../files/offices';
import { useJob } from '../../../planning/useJob';
import { same } from '../../../sync/same';
import { without } from '../../../input/without';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Text } from '../../../ui/Text';

type Own = Pick<JobElement, 'ways' | 'calendar'>;

/** What of a job's head is the company's: how it builds, and its crew; days off, the make of pipe and the ground that is raised are the job's. */
function waysIn({ ways, calendar }: Own): Pick<Company, 'ways' | 'calendar'> {
  const { raised: _here, make: _pipe, ...building } = ways ?? {};
  const { holidays: _off, ...working } = calendar ?? {};
  return {
    ...(Object.keys(building).length > 0 ? { ways: building } : {}),
    ...(Object.keys(working).length > 0 ? { calendar: working } : {}),
  };
}

export function CompanyWays() {
  const { job, edit } = useJob();
  const company = useCompany();
  const [change, unsent] = useChangeCompany();
  const [refused, setRefused] = useState<string | null>(null);
  const head = headOf(job);
  const { data } = company;
  if (!data) return null;
  const [own, theirs] = [waysIn(head), waysIn(data)];
  if (same(own, theirs))
    return <Text kind="small">{same(own, {}) ? 'The usual ways.' : 'The company’s own ways.'}</Text>;
  const keep = (): void => {
    setRefused(null);
    void change((now) => ({ ...without(without(now, 'ways', undefined), 'calendar', undefined), ...own }));
  };
  const takeOver = (): void => {
    const { raised, make } = head.ways ?? {};
    const holidays = head.calendar?.holidays;
    const ways = { ...theirs.ways, ...(raised ? { raised } : {}), ...(make ? { make } : {}) };
    const calendar = { ...theirs.calendar, ...(holidays ? { holidays } : {}) };
    const bare = without(without(head, 'ways', undefined), 'calendar', undefined);
    setRefused(edit(put('Build as the company does', { ...bare, ways, calendar })));
  };
  const said = refused ?? unsent;
  return (
    <View style={{ gap: SPACE.s }}>
      <Text>This job is not built as the company’s others are.</Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button label="Build as the company does" onPress={takeOver} testID="take-ways" />
        <Button label="Keep these as the company’s" onPress={keep} testID="keep-ways" />
      </View>
      {said !== null && (
        <Text tone="stop" role="alert">
          {said}
        </Text>
      )}
    </View>
  );
}
