/** Every rain with every single failure tried, the one that brings water nearest to a door first; each a tap away from being watched. */
import { useState } from 'react';
import { View } from 'react-native';
import type { AskedStorm } from '../../../planning/storm.worker';
import { rankFailures, type Tried } from '../../../planning/storms';
import { useJob } from '../../../planning/useJob';
import { useWorked } from '../../../planning/useWorked';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Text } from '../../../ui/Text';
import { WordRow } from '../../../ui/WordRow';
import { USUAL_STORM } from './usual';

/** So many are shown before one asks for the rest. */
const FIRST = 5;

export function WhatFailsFirst({ onShow }: { onShow: (asked: AskedStorm) => void }) {
  const { job } = useJob();
  const [wanted, setWanted] = useState(false);
  const [all, setAll] = useState(false);
  const tried = useWorked<Tried>(
    [job],
    (signal, give) => rankFailures(job, signal, give).catch(() => undefined),
    wanted ? true : null,
  );
  if (!wanted)
    return <Button label="Try every failure" kind="line" onPress={() => setWanted(true)} testID="storm-try-all" />;
  const ranked = tried?.ranked ?? [];
  const isOver = tried !== undefined && ranked.length === tried.of;
  const shown = all ? ranked : ranked.slice(0, FIRST);
  return (
    <View style={{ gap: SPACE.s }} testID="storm-tried">
      <Text kind="heading">What fails first</Text>
      <Text role="status">
        {isOver
          ? `All ${tried.of} were tried; the worst stands first.`
          : `${ranked.length} of ${tried?.of ?? 'all'} are tried.`}
      </Text>
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
