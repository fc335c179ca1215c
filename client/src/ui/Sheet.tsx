/** What one thing is, beside the rest on a wide screen and under it on a phone, where a grip makes it larger or smaller. */
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import ChevronUp from 'lucide-react-native/icons/chevron-up';
import X from 'lucide-react-native/icons/x';
import type { ReactNode } from 'react';
import { useEffect, useRef, useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { useDrag } from './useDrag';
import { useStyles, useWide } from '../theme/theme';
import { SPACE, type Palette } from '../theme/tokens';
import { Button } from './Button';
import { useEscape } from './escape';
import { Text } from './Text';

const make = (palette: Palette) => ({
  phone: { backgroundColor: palette.ground, borderTopWidth: 3, borderTopColor: palette.ink, flexShrink: 0 },
  wide: { flex: 1 },
  head: {
    flexDirection: 'row' as const,
    alignItems: 'flex-start' as const,
    paddingLeft: SPACE.l,
    paddingRight: SPACE.s,
    paddingTop: SPACE.s,
  },
  title: { flex: 1, minHeight: 44, justifyContent: 'center' as const, paddingRight: SPACE.s },
  grip: {
    position: 'absolute' as const,
    top: 4,
    alignSelf: 'center' as const,
    width: 44,
    height: 4,
    borderRadius: 2,
    backgroundColor: palette.soft,
  },
  body: { padding: SPACE.l, paddingTop: SPACE.s, gap: SPACE.l, paddingBottom: 40 },
});

/** Heights of a sheet on a phone: its head alone, what leaves two fifths of the screen to what it changes, nearly all. */
type Size = 'small' | 'half' | 'large';
const HEIGHTS: Record<Size, { height: string; minHeight: number }> = {
  small: { height: 'auto', minHeight: 56 },
  half: { height: 'calc(100% - 40dvh)', minHeight: 200 },
  large: { height: 'calc(100% - 8px)', minHeight: 200 },
};

/** The size that was last chosen: the next sheet opens as the one before, but never shut. */
let last: Size = 'half';

/** How long is waited for what opened a sheet to be drawn again, ms, and how often is looked. */
const WAIT = { most: 1500, step: 60 };

/** Gives focus back to what opened a sheet, which may be drawn anew meanwhile; not where something else has taken it. */
function giveBack(from: Element | null, waited = 0): void {
  const mark = from?.getAttribute('data-testid');
  setTimeout(() => {
    if (document.activeElement !== document.body) return;
    const back = from?.isConnected ? from : mark ? document.querySelector(`[data-testid="${CSS.escape(mark)}"]`) : null;
    if (back instanceof HTMLElement) back.focus({ preventScroll: true });
    if (document.activeElement === document.body && mark && waited < WAIT.most) giveBack(from, waited + WAIT.step);
  }, WAIT.step);
}

/** Focus goes into a sheet, and back to what opened it. */
function useFocusInside(): React.RefObject<HTMLElement | null> {
  const sheet = useRef<HTMLElement | null>(null);
  useEffect(() => {
    const from = document.activeElement;
    const inside = sheet.current;
    if (!inside?.contains(from)) inside?.focus({ preventScroll: true });
    return () => {
      const now = document.activeElement;
      if (!now || now === document.body || inside?.contains(now)) giveBack(from);
    };
  }, []);
  return sheet;
}

/** Characters of a title that its head has room for. */
const LONG = 48;

interface Props {
  title: string;
  /** Small words over the title: what kind of thing it is. */
  over?: string;
  onClose: () => void;
  children: ReactNode;
  /** Lies over everything at the right, whatever the screen. */
  covers?: boolean;
}

export function Sheet({ title, over, onClose, children, covers = false }: Props) {
  const styles = useStyles(make);
  const beside = useWide() || covers;
  const { height: window } = useWindowDimensions();
  const sheet = useFocusInside();
  const [size, setSize] = useState<Size>(last);
  const [dragged, setDragged] = useState<number | null>(null);
  useEscape(onClose);
  const choose = (next: Size): void => {
    setSize(next);
    last = next === 'small' ? 'half' : next;
  };
  const { handlers } = useDrag({
    grip: () => ({ from: sheet.current?.getBoundingClientRect().height ?? 0, now: 0 }),
    onMove: (taken, _dx, dy) => {
      taken.now = Math.max(56, Math.min(window, taken.from - dy));
      setDragged(taken.now);
    },
    onDrop: ({ now }, moved) => {
      setDragged(null);
      if (moved) choose(now < window * 0.22 ? 'small' : now < window * 0.6 ? 'half' : 'large');
    },
  });
  // A long name would leave no room under the head: it goes with the rest.
  const long = title.length > LONG;
  const heading = <Text kind="heading">{title}</Text>;
  const place = beside ? styles.wide : [styles.phone, dragged === null ? HEIGHTS[size] : { height: dragged }];
  return (
    <View
      ref={sheet as never}
      role="region"
      aria-label={title}
      tabIndex={-1}
      style={[place, { outlineStyle: 'none' }] as never}
      testID="sheet"
    >
      {!beside && <View style={styles.grip} aria-hidden />}
      <View style={styles.head}>
        <View
          style={[styles.title, beside ? null : ({ touchAction: 'none', cursor: 'ns-resize' } as object)]}
          {...((beside ? {} : handlers) as object)}
        >
          {over !== undefined && <Text kind="small">{over}</Text>}
          {!long && heading}
        </View>
        {!beside &&
          (size === 'large' ? (
            <Button label="Smaller" icon={ChevronDown} iconOnly kind="bare" onPress={() => choose('half')} />
          ) : (
            <Button
              label="Larger"
              icon={ChevronUp}
              iconOnly
              kind="bare"
              onPress={() => choose(size === 'half' ? 'large' : 'half')}
            />
          ))}
        <Button label="Close" icon={X} iconOnly kind="bare" onPress={onClose} />
      </View>
      {(beside || size !== 'small' || dragged !== null) && (
        <ScrollView contentContainerStyle={styles.body} keyboardShouldPersistTaps="handled">
          {long && heading}
          {children}
        </ScrollView>
      )}
    </View>
  );
}
