/** An unfinished plan is offered to a customer only when somebody says so: all the same. */
import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Mark } from '../../ui/Mark';
import { Text } from '../../ui/Text';

interface Offering {
  /** Sends at once what is finished; else asks first. */
  offer: (send: () => void) => void;
  /** What is asked; null while nothing is. */
  asking: ReactNode;
}

export function useOffering(): Offering {
  const { plan } = useJob();
  const [wanted, setWanted] = useState<{ send: () => void } | null>(null);
  const { state, sentence } = plan.verdict;
  const isOpen = state === 'stop' || state === 'fix';
  return {
    offer: (send) => (isOpen ? setWanted({ send }) : send()),
    asking:
      wanted === null || !isOpen ? null : (
        <View style={{ gap: SPACE.s }} role="alert">
          <View style={{ flexDirection: 'row', gap: SPACE.m, alignItems: 'flex-start' }}>
            <Mark kind={state} />
            <View style={{ flex: 1 }}>
              <Text>This plan is not finished, and a customer would read so: {sentence}</Text>
            </View>
          </View>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
            <Button
              label="Send all the same"
              onPress={() => {
                setWanted(null);
                wanted.send();
              }}
              testID="send-all-the-same"
            />
            <Button label="Not yet" kind="bare" onPress={() => setWanted(null)} />
          </View>
        </View>
      ),
  };
}
