/** What of this device's pictures the server has not got, and why; nothing where it has all. */
import { View, type ViewStyle } from 'react-native';
import { retryRefused } from '../sync/device/keptFiles';
import { isToldOf } from '../files/unsent';
import { useUnsentFiles } from '../sync/records';
import { SPACE } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Text } from '../ui/Text';

const pictures = (count: number): string => (count === 1 ? 'One picture' : `${count} pictures`);

/** Why pictures were refused, each reason once. */
const reasonsOf = (refused: readonly (string | null)[]): string => [...new Set(refused)].join(' ');

interface Props {
  /** Hashes of the pictures of a job; of all the device's where left out. */
  named?: ReadonlySet<string>;
  style?: ViewStyle;
}

export function UnsentFiles({ named, style }: Props) {
  const unsent = useUnsentFiles().filter(named ? isToldOf(named) : () => true);
  if (unsent.length === 0) return null;
  const refused = unsent.filter((each) => each.refused !== null);
  const coming = unsent.length - refused.length;
  const stored = unsent.every((each) => each.stored);
  return (
    <View role="status" style={[{ gap: SPACE.s }, style]}>
      {coming > 0 && (
        <Text>
          {pictures(coming)} {coming === 1 ? 'is' : 'are'} still to be sent, and{' '}
          {stored ? 'kept on this device until then.' : 'held on this page only: keep it open until then.'}
        </Text>
      )}
      {refused.length > 0 && (
        <>
          <Text kind="strong">
            {pictures(refused.length)} could not be sent: {reasonsOf(refused.map((each) => each.refused))}
          </Text>
          <View style={{ flexDirection: 'row' }}>
            <Button label="Try again" onPress={() => void retryRefused()} />
          </View>
        </>
      )}
    </View>
  );
}
