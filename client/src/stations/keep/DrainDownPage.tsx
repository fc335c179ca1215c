/** How fast a pit lets its water go: its depth read now and then, on a clock that goes on while the phone sleeps. */
import { freshId, nameOf, ofKind, put, type Visit } from '@katabasis/core';
import { drains, keepVisit, sayVisit, watch } from '@katabasis/core/visits';
import { useState } from 'react';
import { View } from 'react-native';
import { showSmall, text } from '@katabasis/core';
import { useJob } from '../../planning/useJob';
import { smallEntry } from '../../input/entry';
import { QuantityField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { sharedNow } from '../../sync/device/serverClock';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';
import { useGo } from '../useGo';
import { BigButton } from './BigButton';
import { useRunningClock } from './useRunningClock';

type PitVisit = Visit & { test: Extract<Visit['test'], { type: 'drainDown' }> };
const DEEPEST = 10;

export function DrainDownPage() {
  const { job, edit } = useJob();
  const [wrong, setWrong] = useState<string | null>(null);
  const open = ofKind(job, 'visit').find((each): each is PitVisit => each.test.type === 'drainDown' && !each.said);
  const begin = (of: string, name: string): void => {
    const at = new Date(sharedNow()).toISOString();
    const test = { type: 'drainDown' as const, of, readings: [] };
    setWrong(edit(put(`Drain-down of ${name}`, { id: freshId('visit'), kind: 'visit', at, test })));
  };
  return (
    <View style={{ gap: SPACE.l, maxWidth: 700 }}>
      {open ? (
        <Reading visit={open} />
      ) : (
        <>
          <Text>
            Fill it, turn the water off, and read how deep it stands: now, and again and again until it is nearly gone.
          </Text>
          {drains(job).map(({ id, name }) => (
            <BigButton key={id} label={`Water off at ${name}`} onPress={() => begin(id, name)} testID={`drain-${id}`} />
          ))}
          {drains(job).length === 0 && <Text>Nothing here keeps water until it has soaked away.</Text>}
        </>
      )}
      {wrong !== null && (
        <Text tone="stop" role="alert">
          {wrong}
        </Text>
      )}
    </View>
  );
}

function Reading({ visit }: { visit: PitVisit }) {
  const { job, plan, units, edit } = useJob();
  const go = useGo();
  const clock = useRunningClock(visit.at);
  const { readings, of } = visit.test;
  const says = sayVisit(job, plan, visit);
  const set = (label: string, next: PitVisit['test']['readings']): string | null =>
    edit(put(label, { ...visit, test: { ...visit.test, readings: next } }));
  const read = (depth: number): string | null => {
    const time = Math.round(Math.max(0, (sharedNow() - Date.parse(visit.at)) / 1000));
    const last = readings.at(-1);
    if (last && time <= last.time) return 'The clock stands before the last reading: wait, or take that reading out.';
    return set('Read the depth', [...readings, { time, depth }]);
  };
  return (
    <View style={{ gap: SPACE.l }}>
      <Text kind="heading">{nameOf(job, of)}</Text>
      <Text kind="hero">{watch(clock?.seconds ?? 0)}</Text>
      <Fields key={readings.length} of={visit.id}>
        <QuantityField
          label="Depth of the water now"
          value={undefined}
          {...smallEntry(units, 0, DEEPEST, 'Water stands')}
          optional
          onCommit={(depth) => (depth === undefined ? null : read(depth))}
          testID="depth-now"
        />
      </Fields>
      {readings.map(({ time, depth }, k) => (
        <View key={time} style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.m }}>
          <View style={{ flex: 1 }}>
            <Text>
              After {watch(time)}: {text(showSmall(depth, units))}
            </Text>
          </View>
          <Button
            label="Take it out"
            kind="bare"
            onPress={() =>
              void set(
                'Take a reading out',
                readings.filter((_, j) => j !== k),
              )
            }
          />
        </View>
      ))}
      {says.expects !== '' && <Text kind="small">{says.expects}</Text>}
      <Text kind="strong">{says.sentence}</Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m }}>
        <Button
          label="Done"
          kind="main"
          onPress={() => {
            if (edit(keepVisit(job, plan, visit)) === null) go('keep', `~visit-${visit.id}`);
          }}
          testID="drain-done"
        />
        <Button
          label="Leave this test"
          kind="bare"
          onPress={() => void edit({ label: 'Leave a drain-down', puts: [], removes: [visit.id] })}
        />
      </View>
    </View>
  );
}
