/** What customers saw, what was found and done, at whose cost; open until a visit closes it. */
import { freshId, ofKind, put } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { TextBox } from '../../input/TextBox';
import { useNoted } from '../../input/useNoted';
import { todayOf } from '../../parts/today';
import { useJob } from '../../planning/useJob';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';
import { OneComplaint } from './OneComplaint';

export function ComplaintsPage() {
  const { job, edit } = useJob();
  const [saw, note] = useNoted(`katabasis.complaint.${job.id}`, z.string(), '');
  const [wrong, setWrong] = useState<string | null>(null);
  const all = ofKind(job, 'complaint').toSorted(
    (a, b) => Number(a.closedOn !== undefined) - Number(b.closedOn !== undefined) || (a.on < b.on ? 1 : -1),
  );
  const keep = (): void => {
    const words = saw.trim();
    if (words === '') return setWrong('Write down what they saw, in their own words.');
    if (words.length > 2000) return setWrong('At most 2,000 letters.');
    const refused = edit(
      put('Write down a complaint', { id: freshId('complaint'), kind: 'complaint', on: todayOf(), saw: words }),
    );
    setWrong(refused);
    if (refused === null) note(() => '');
  };
  return (
    <View style={{ gap: SPACE.l, maxWidth: 700 }}>
      <TextBox
        label="What the customer saw"
        text={saw}
        words
        lines={2}
        onText={(next) => note(() => next)}
        wrong={wrong}
        testID="complaint-saw"
      />
      <View style={{ flexDirection: 'row' }}>
        <Button label="Write it down" kind="main" onPress={keep} testID="keep-complaint" />
      </View>
      {all.map((each) => (
        <OneComplaint key={each.id} complaint={each} />
      ))}
      {all.length === 0 && <Text>Nobody has complained.</Text>}
    </View>
  );
}
