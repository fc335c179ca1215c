import type { ReactNode } from 'react';
import { View } from 'react-native';
import { useStyles } from '../theme/theme';
import { type Palette } from '../theme/tokens';
import { Sheet } from '../ui/Sheet';

const make = (palette: Palette) => ({
  cover: {
    position: 'absolute' as const,
    top: 0,
    right: 0,
    bottom: 0,
    width: 420,
    maxWidth: '100%' as const,
    backgroundColor: palette.ground,
    zIndex: 20,
    borderLeftWidth: 3,
    borderLeftColor: palette.ink,
  },
});

/** A sheet over the right edge, for what belongs to no station. */
export function Overlay({ title, onClose, children }: { title: string; onClose: () => void; children: ReactNode }) {
  const styles = useStyles(make);
  return (
    <View style={styles.cover} role="dialog" aria-modal aria-label={title}>
      <Sheet title={title} onClose={onClose} covers>
        {children}
      </Sheet>
    </View>
  );
}
