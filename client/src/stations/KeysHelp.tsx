import { View } from 'react-native';
import { FONTS } from '../theme/tokens';
import { Text } from '../ui/Text';
import { Overlay } from './Overlay';

const KEYS: readonly [string, string][] = [
  ['1', 'Yard'],
  ['2', 'Plan'],
  ['3', 'Storm'],
  ['4', 'Build'],
  ['5', 'Keep'],
  ['/', 'Find by name'],
  ['n', 'New line: put something in'],
  ['z', 'Undo'],
  ['Shift z', 'Redo'],
  ['↑ ↓', 'Step along the descent'],
  ['Esc', 'Close a sheet'],
  ['l', 'Draw a line, in the yard'],
  ['?', 'These keys'],
];

export function KeysHelp({ onClose }: { onClose: () => void }) {
  return (
    <Overlay title="Keys" onClose={onClose}>
      {KEYS.map(([key, does]) => (
        <View key={key} style={{ flexDirection: 'row', gap: 16 }}>
          <Text style={{ width: 80, fontFamily: FONTS.figures }}>{key}</Text>
          <Text>{does}</Text>
        </View>
      ))}
    </Overlay>
  );
}
