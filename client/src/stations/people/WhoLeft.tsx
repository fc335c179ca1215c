/** Who has gone: what is kept of them can be saved, and they can be forgotten. */
import type { People } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Said } from '../../parts/Said';
import { useAttempt } from '../../parts/useAttempt';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';
import { momentOf } from '../jobs/moments';
import { SideRow } from '../jobs/SidePage';
import { peopleApi } from './peopleApi';
import { saveKept } from './saveKept';

export function WhoLeft({ left, onChange }: { left: People['left']; onChange: () => void }) {
  const { said, attempt } = useAttempt();
  const [sure, setSure] = useState<string | null>(null);
  if (left.length === 0) return null;
  const forget = async (id: string): Promise<void> => {
    if (await attempt(() => peopleApi.forget(id))) onChange();
  };
  return (
    <View style={{ gap: SPACE.s }} testID="who-left">
      <Text kind="heading">Not here any more</Text>
      <View role="list">
        {left.map(({ id, name, leftAt }) => (
          <View key={id}>
            <SideRow name={name} about={`Let in no more since ${momentOf(leftAt)}`}>
              <Button label={`Save what is kept of ${name}`} onPress={() => void attempt(() => saveKept(id))} />
              {sure !== id && <Button label={`Forget ${name}`} onPress={() => setSure(id)} />}
            </SideRow>
            {sure === id && (
              <View style={{ gap: SPACE.s }}>
                <Text>
                  Their name goes from the people, devices and histories of jobs; what they did stays there as done by
                  somebody who left. It cannot be taken back. The trail of what was done stays as it is, and notes keep
                  the name that was written in them. Copies made before still have it.
                </Text>
                <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
                  <Button
                    label={`Forget ${name} for good`}
                    kind="main"
                    onPress={() => void forget(id)}
                    testID="forget-sure"
                  />
                  <Button label="Let it be" onPress={() => setSure(null)} />
                </View>
              </View>
            )}
          </View>
        ))}
      </View>
      <Said said={said} />
    </View>
  );
}
