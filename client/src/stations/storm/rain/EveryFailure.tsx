/** Every rain with every single failure tried, the one that brings water nearest to a door first; each a tap away from being watched. */
import { useRef, useState } from 'react';
import { View } from 'react-native';
import { USUAL_STORM, type AskedStorm } from '../../../planning/askedStorm';
import { rankFailures, type Tried } from '../../../planning/storms';
import { useJob } from '../../../planning/useJob';
import { useWorked } from '../../../planning/useWorked';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Text } from '../../../ui/Text';
import { WordRow } from '../../../ui/WordRow';

/** So many are shown before one asks for the rest. */
const FIRST = 5;

export function EveryFailure({ onShow }: { onShow: (asked: AskedStorm) => void }) {
  const { job } = useJob();
  const [wanted, setWanted] = useState(false);
  const [all, setAll] = useState(false);
  const [stopped, setStopped] = useState(false);
  const stop = useRef<AbortController | null>(null);
  const tried = useWorked<Tried>(
    [job],
    (signal, give) => {
      stop.current = new AbortController();
      return rankFailures(job, { signal, stop: stop.current.signal }, give).catch(() => undefined);
    },
    wanted ? true : null,
  );
  if (!wanted)
    return <Button label="Try every failure" kind="line" onPress={() => setWanted(true)} testID="storm-try-all" />;
  const ranked = tried?.ranked ?? [];
  const isOver = tried !== undefined && ranked.length === tried.of;
  const shown = all ? ranked : ranked.slice(0, FIRST);
  return (
    <View style={{ gap: SPACE.s }} testID="storm-tried">
      <Text kind="heading">Every failure by itself</Text>
      <Text role="status">
        {isOver
          ? `All ${tried.of} were tried; the worst stands first.`
          : stopped
            ? `Stopped: ${ranked.length} of ${tried?.of ?? 'all'} were tried.`
            : `${ranked.length} of ${tried?.of ?? 'all'} are tried.`}
      </Text>
      {!isOver && !stopped && (
        <Button
          label="Stop trying"
          kind="bare"
          onPress={() => {
            stop.current?.abort();
            setStopped(true);
          }}
        />
      )}
      {shown.map(({ of, sentence }) => (
        <WordRow
          key={of.id}
          word={sentence}
          about="Tap to watch it"
          onPress={() => onShow({ ...USUAL_STORM, rain: of.rain, failing: of.failing })}
          testID={`tried-${of.id.replaceAll(' ', '-')}`}
        />
      ))}
      {ranked.length > FIRST && (
        <Button label={all ? 'The worst alone' : `All ${ranked.length}`} kind="bare" onPress={() => setAll(!all)} />
      )}
    </View>
  );
}
