/** What was tapped in a proposed plan, in words, and what can be done there. */
import { distance, type Place } from '@katabasis/core';
import type { NotHere } from '@katabasis/core/proposals';
import { View } from 'react-native';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Text } from '../../../ui/Text';
import type { Touching } from './useTouched';

/** A patch that is put out of bounds reaches so far, m: 5 ft. */
const PATCH = 1.524;

interface Props {
  touching: Touching;
  isMoved: boolean;
  /** Where lines begin and end that no patch keeps off. */
  ends: readonly Place[];
  onBack: () => void;
  /** Only what comes through what is held is to be led off. */
  onOnly: (id: string) => void;
  onNotHere: (patch: NotHere) => void;
  onAllow: (at: NotHere['place']) => void;
}

export function TouchedPanel({ touching, isMoved, ends, onBack, onOnly, onNotHere, onAllow }: Props) {
  const { touched, isBusy } = touching;
  if (isBusy) return <Text role="status">The plan is worked out anew.</Text>;
  const looked = touched?.looked ?? null;
  const endsHere = touched !== null && ends.some((end) => distance(end, touched.place) <= PATCH);
  return (
    <View style={{ gap: SPACE.s }} testID="touched" aria-live="polite">
      {!touched && (
        <Text kind="small">
          Tap any place to see what a line through it would cost, or a line to take hold of it and move it.
        </Text>
      )}
      {touched?.held && !looked && <Text kind="strong">Move the ring: the line follows it.</Text>}
      {looked?.said.sentences.map((sentence, k) => (
        <Text key={sentence} kind={k === 0 ? 'strong' : 'body'}>
          {sentence}
        </Text>
      ))}
      {endsHere && !touched.isMoving && <Text>A line begins or ends here: that it must, wherever it goes.</Text>}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {touched && !touched.held && looked?.through && (
          <Button label="Lead it through here" kind="line" onPress={() => void touching.take()} testID="lead-through" />
        )}
        {touched?.held && !touched.isMoving && (
          <Button label="Straighten" kind="line" onPress={() => void touching.straighten()} testID="straighten" />
        )}
        {touched?.held && !touched.isMoving && (
          <Button
            label="Only this line"
            kind="line"
            onPress={() => {
              touching.letGo();
              onOnly(touched.held!.id);
            }}
            testID="only-line"
          />
        )}
        {touched && looked?.bar?.what === 'notHere' && (
          <Button label="Allow it again" kind="line" onPress={() => onAllow(touched.place)} testID="allow-here" />
        )}
        {touched && !looked?.bar && !touched.isMoving && !endsHere && (
          <Button
            label="Not here"
            kind="line"
            onPress={() => onNotHere({ place: touched.place, reach: PATCH })}
            testID="not-here"
          />
        )}
        {touched && <Button label="Leave it" kind="bare" onPress={touching.letGo} />}
        {isMoved && !touched && (
          <Button label="Put the lines back as proposed" kind="line" onPress={onBack} testID="put-back" />
        )}
      </View>
    </View>
  );
}
