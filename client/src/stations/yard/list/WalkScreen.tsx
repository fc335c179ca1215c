/** The yard as a list: what is here, and the sheet of the one that is open. */
import { useCallback } from 'react';
import { View } from 'react-native';
import { ElementSheet } from '../../../elements/ElementSheet';
import { useStyles, useWide } from '../../../theme/theme';
import { SPACE, type Palette } from '../../../theme/tokens';
import { Text } from '../../../ui/Text';
import { isOfYard, useGo } from '../../useGo';
import { useAt } from '../../useAt';
import { ViewSwitch } from '../ViewSwitch';
import { AddSheet } from './AddSheet';
import { HereList } from './HereList';

const make = (palette: Palette) => ({
  columns: { flex: 1, flexDirection: 'row' as const },
  stacked: { flex: 1 },
  side: { flex: 1, maxWidth: 860, borderLeftWidth: 1, borderLeftColor: palette.line },
});

export function WalkScreen() {
  const styles = useStyles(make);
  const wide = useWide();
  const go = useGo();
  const at = useAt();
  const choose = useCallback((id: string | null): void => go(isOfYard(id) ? 'yard' : 'walk', id), [go]);
  const close = useCallback((): void => choose(null), [choose]);
  const sheet =
    at === 'new' ? (
      <AddSheet onClose={close} onGo={choose} />
    ) : (
      at && <ElementSheet id={at} onClose={close} onGo={choose} />
    );
  return (
    <View style={wide ? styles.columns : styles.stacked}>
      <View style={{ flex: 1 }}>
        {(wide || at === null) && <ViewSwitch here="walk" />}
        <HereList chosen={at} onChoose={choose} />
      </View>
      {wide ? <View style={styles.side}>{sheet || <Aside />}</View> : sheet}
    </View>
  );
}

function Aside() {
  return (
    <View style={{ padding: SPACE.xl }}>
      <Text tone="soft">Tap anything to see and change it.</Text>
    </View>
  );
}
