/** What is kept where, said only when there is something to say. */
import { nameOf } from '@katabasis/core';
import { useQueryClient } from '@tanstack/react-query';
import { View } from 'react-native';
import { jobKey } from '../data/sessions';
import { useKept, useSession } from '../data/useJob';
import { useStyles } from '../theme/theme';
import { SPACE, type Palette } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Text } from '../ui/Text';

const make = (palette: Palette) => ({
  strip: {
    backgroundColor: palette.bank,
    borderBottomWidth: 1,
    borderBottomColor: palette.line,
    paddingHorizontal: SPACE.l,
    paddingVertical: SPACE.s,
    gap: SPACE.s,
  },
  row: { flexDirection: 'row' as const, flexWrap: 'wrap' as const, gap: SPACE.s },
});

export function KeeperStrip() {
  const { job } = useKept();
  const { session, keeping } = useSession();
  const client = useQueryClient();
  const styles = useStyles(make);
  if (keeping.state === 'waiting') {
    return (
      <View style={styles.strip} role="status">
        <Text>
          The server is out of reach. {keeping.count === 1 ? 'One change is' : `${keeping.count} changes are`}{' '}
          {keeping.stored
            ? 'kept on this device and will be sent.'
            : 'held on this page only, as this device has no room left: keep it open until they are sent.'}
        </Text>
        <View style={styles.row}>
          <Button label="Try now" onPress={() => void session.flush()} />
        </View>
      </View>
    );
  }
  if (keeping.state === 'conflict') {
    const names = keeping.conflicts
      .map(({ id, element }) => (element && 'name' in element && element.name ? element.name : nameOf(job, id)))
      .join(', ');
    return (
      <View style={styles.strip} role="alert">
        <Text kind="strong">Another device changed {names} meanwhile.</Text>
        <Text>Yours: “{keeping.label}”. Keep yours over it, or take theirs?</Text>
        <View style={styles.row}>
          <Button label="Keep mine" onPress={() => session.resolve('mine')} />
          <Button label="Take theirs" onPress={() => session.resolve('theirs')} />
        </View>
      </View>
    );
  }
  if (keeping.state === 'refused') {
    const drop = (): void => {
      session.dropRefused();
      void client.refetchQueries({ queryKey: jobKey(session.id) });
    };
    return (
      <View style={styles.strip} role="alert">
        <Text kind="strong">
          “{keeping.label}” could not be saved: {keeping.sentence}
        </Text>
        <View style={styles.row}>
          <Button label="Give that change up" onPress={drop} />
        </View>
      </View>
    );
  }
  return null;
}
