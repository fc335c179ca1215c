/** What cures this storm, and what it costs: each tried in the same storm; taken by a tap, and undone by one. */
import { useRef, useState } from 'react';
import { View } from 'react-native';
import type { CureTried } from '@katabasis/core/cures';
import type { AskedStorm } from '../../../planning/askedStorm';
import { findCures } from '../../../planning/storms';
import { useJob } from '../../../planning/useJob';
import { useWorked } from '../../../planning/useWorked';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Mark } from '../../../ui/Mark';
import { Text } from '../../../ui/Text';

/** So many are shown. */
const SHOWN = 5;

export function Cures({ asked }: { asked: AskedStorm }) {
  const { job, edit } = useJob();
  const [wanted, setWanted] = useState<AskedStorm | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const stop = useRef<AbortController | null>(null);
  const isWanted = wanted === asked;
  const tried = useWorked<CureTried>(
    [job, asked],
    (signal, give) => {
      stop.current = new AbortController();
      return findCures(job, asked, { signal, stop: stop.current.signal }, give).catch(() => undefined);
    },
    isWanted ? true : null,
  );
  if (!isWanted && !tried)
    return <Button label="What would cure this" kind="line" onPress={() => setWanted(asked)} testID="storm-cure" />;
  const isOver = tried !== undefined && tried.tried === tried.of;
  return (
    <View style={{ gap: SPACE.s }} testID="storm-cures">
      <Text kind="heading">What would cure this</Text>
      <Text role="status">
        {!tried
          ? 'Trying what a crew would try.'
          : isOver
            ? tried.found.length > 0
              ? `${tried.of} ways were tried in this storm; these help.`
              : `${tried.of} ways were tried in this storm, and none helps.`
            : `${tried.tried} of ${tried.of} ways are tried.`}
      </Text>
      {tried && !isOver && <Button label="Stop trying" kind="bare" onPress={() => stop.current?.abort()} />}
      {tried?.found.slice(0, SHOWN).map(({ fix, sentence, cures }) => (
        <View key={sentence} style={{ gap: SPACE.xs, paddingVertical: SPACE.s }}>
          <View style={{ flexDirection: 'row', gap: SPACE.m, alignItems: 'center' }}>
            <Mark kind={cures ? 'holds' : 'mind'} size={22} />
            <View style={{ flex: 1 }}>
              <Text>{sentence}</Text>
            </View>
          </View>
          <Button label={fix.label} kind="line" onPress={() => setWrong(edit(fix.change))} testID="storm-take-cure" />
        </View>
      ))}
      {wrong !== null && (
        <Text tone="stop" role="alert">
          {wrong}
        </Text>
      )}
    </View>
  );
}
