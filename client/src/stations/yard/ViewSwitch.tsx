/** From the list of what is here to the ground plan, and back. */
import List from 'lucide-react-native/icons/list';
import Map from 'lucide-react-native/icons/map';
import { View } from 'react-native';
import { usePalette, useStyles } from '../../theme/theme';
import { SPACE, TOUCH, type Palette } from '../../theme/tokens';
import { Press } from '../../ui/Press';
import { Text } from '../../ui/Text';
import { useGo } from '../useGo';
import { noteYardView, type YardView } from './yardView';

const make = (palette: Palette) => ({
  row: { flexDirection: 'row' as const, borderBottomWidth: 1, borderBottomColor: palette.line },
  view: {
    flex: 1,
    maxWidth: 220,
    minHeight: TOUCH,
    flexDirection: 'row' as const,
    alignItems: 'center' as const,
    justifyContent: 'center' as const,
    gap: SPACE.s,
    borderBottomWidth: 4,
    borderBottomColor: 'transparent',
  },
  here: { borderBottomColor: palette.ink },
});

const VIEWS = [
  { view: 'walk', label: 'As a list', icon: List },
  { view: 'yard', label: 'As a map', icon: Map },
] as const;

/** Goes to a view, in which the yard then opens. */
export function useView(): (view: YardView) => void {
  const go = useGo();
  return (view) => {
    noteYardView(view);
    go(view, null);
  };
}

export function ViewSwitch({ here }: { here: YardView }) {
  const styles = useStyles(make);
  const { ink } = usePalette();
  const show = useView();
  return (
    <View style={styles.row} role="navigation" aria-label="What is here">
      {VIEWS.map(({ view, label, icon: Icon }) => (
        <Press
          key={view}
          role="link"
          aria-current={view === here ? 'page' : undefined}
          aria-label={label}
          onPress={() => show(view)}
          style={[styles.view, view === here && styles.here]}
          testID={`view-${view}`}
        >
          <Icon size={20} color={ink} strokeWidth={view === here ? 2.6 : 1.8} />
          <Text kind={view === here ? 'strong' : 'body'}>{label}</Text>
        </Press>
      ))}
    </View>
  );
}
