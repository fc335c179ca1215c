import X from 'lucide-react-native/icons/x';
import type { ReactNode } from 'react';
import { useEffect } from 'react';
import { ScrollView, View } from 'react-native';
import { useStyles, useWide } from '../theme/theme';
import { SPACE, type Palette } from '../theme/tokens';
import { Button } from './Button';
import { Text } from './Text';

const make = (palette: Palette) => ({
  phone: {
    position: 'absolute' as const,
    left: 0,
    right: 0,
    bottom: 0,
    maxHeight: '82%' as const,
    backgroundColor: palette.ground,
    borderTopWidth: 3,
    borderTopColor: palette.ink,
    zIndex: 10,
  },
  wide: { flex: 1 },
  head: {
    flexDirection: 'row' as const,
    alignItems: 'center' as const,
    justifyContent: 'space-between' as const,
    paddingLeft: SPACE.l,
    paddingRight: SPACE.s,
    paddingTop: SPACE.s,
    gap: SPACE.s,
  },
  body: { padding: SPACE.l, paddingTop: SPACE.s, gap: SPACE.l, paddingBottom: 40 },
});

interface Props {
  title: string;
  /** Small words over the title: what kind of thing it is. */
  over?: string;
  onClose: () => void;
  children: ReactNode;
}

/** What one thing is, beside the rest on a wide screen and over its lower part on a phone. Escape closes it. */
export function Sheet({ title, over, onClose, children }: Props) {
  const styles = useStyles(make);
  const wide = useWide();
  useEffect(() => {
    const close = (event: KeyboardEvent): void => {
      if (event.key === 'Escape') onClose();
    };
    window.addEventListener('keydown', close);
    return () => window.removeEventListener('keydown', close);
  }, [onClose]);
  return (
    <View role="region" aria-label={title} style={wide ? styles.wide : styles.phone}>
      <View style={styles.head}>
        <View style={{ flex: 1 }}>
          {over !== undefined && <Text kind="small">{over}</Text>}
          <Text kind="heading" numberOfLines={2}>
            {title}
          </Text>
        </View>
        <Button label="Close" icon={X} iconOnly kind="bare" onPress={onClose} />
      </View>
      <ScrollView contentContainerStyle={styles.body} keyboardShouldPersistTaps="handled" tabIndex={0}>
        {children}
      </ScrollView>
    </View>
  );
}
