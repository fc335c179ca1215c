/** How long steps take for each usual hour: taken over into the company's calendar by a tap. */
import { RENTED_LABELS, type LedgerEntry } from '@katabasis/core';
import { behind, ENOUGH, factor, machinesFrom, ownPaces, STEP_LABELS } from '@katabasis/core/ledger';
import { useMemo } from 'react';
import { View } from 'react-native';
import { useChangeCompany, useCompany } from '../../../files/offices';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Text } from '../../../ui/Text';
import { FigureLine } from './FigureLine';

export function OwnPaces({ entries }: { entries: readonly LedgerEntry[] }) {
  const paces = useMemo(() => ownPaces(entries), [entries]);
  const machines = useMemo(() => machinesFrom(entries), [entries]);
  const { data: company } = useCompany();
  const [change, said] = useChangeCompany();
  const { all, kinds } = paces;
  if (!all) return null;
  const round = (value: number): number => Math.min(10, Math.max(0.1, Math.round(value * 100) / 100));
  const enough = kinds.filter(({ pace }) => pace.count >= ENOUGH);
  const own = Object.fromEntries(enough.map(({ kind, pace }) => [kind, round(pace.median)]));
  const now = company?.calendar;
  const taken = now?.pace === round(all.median) && JSON.stringify(now.paces) === JSON.stringify(own);
  return (
    <View style={{ gap: SPACE.s }} testID="own-paces">
      <Text kind="heading">Hours for each usual hour</Text>
      <FigureLine label="All steps" value={factor(all.median)} about={behind(all, factor)} />
      {kinds.map(({ kind, pace }) => (
        <FigureLine key={kind} label={STEP_LABELS[kind]} value={factor(pace.median)} about={behind(pace, factor)} />
      ))}
      {machines.map(({ machine, share }) => (
        <FigureLine
          key={machine}
          label={`${RENTED_LABELS[machine]} ran`}
          value={factor(share.median)}
          about={behind(share, factor)}
        />
      ))}
      {all.count < ENOUGH ? (
        <Text>From {ENOUGH} jobs on they can be taken over: with fewer, one odd job is the figure.</Text>
      ) : taken ? (
        <Text role="status">New jobs are planned by them.</Text>
      ) : (
        <View style={{ gap: SPACE.s, alignItems: 'flex-start' }}>
          <Text>
            New jobs would be planned by {factor(all.median)} of the usual hours
            {enough.length > 0 ? ', and each kind of step by its own' : ''}. Jobs that are there keep their pace.
          </Text>
          <Button
            label="Plan new jobs by them"
            onPress={() =>
              void change((before) => ({
                ...before,
                calendar: { ...before.calendar, pace: round(all.median), paces: own },
              }))
            }
            testID="take-paces"
          />
        </View>
      )}
      {said !== null && (
        <Text tone="stop" role="alert">
          {said}
        </Text>
      )}
    </View>
  );
}
