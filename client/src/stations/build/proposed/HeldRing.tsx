/** The ring on what is held in a proposed plan: a finger moves it, and what that would come to stands over the finger. */
import type { Place } from '@katabasis/core';
import { View } from 'react-native';
import { useStyles } from '../../../theme/theme';
import type { Palette } from '../../../theme/tokens';
import { Text } from '../../../ui/Text';
import { useDrag } from '../../../ui/useDrag';

/** What a thumb takes hold of, px; the label's least room beside it, and how far it stands over the finger. */
const SIZE = 52;
const LABEL = 150;
const OVER = 44;

const make = (palette: Palette) => ({
  ring: {
    width: 30,
    height: 30,
    borderRadius: 15,
    borderWidth: 4,
    borderColor: palette.ink,
    backgroundColor: palette.ground,
    opacity: 0.9,
  },
  label: {
    position: 'absolute' as const,
    width: LABEL,
    paddingVertical: 4,
    paddingHorizontal: 8,
    backgroundColor: palette.ground,
    borderWidth: 1.5,
    borderColor: palette.ink,
    borderRadius: 4,
  },
});

interface Props {
  /** px from the picture's corner, and its width. */
  at: { x: number; y: number };
  width: number;
  label: readonly [string, string] | null;
  /** The place that so many px from where it was taken hold of are. */
  placeBy: (dx: number, dy: number) => Place;
  onMove: (place: Place, done: boolean) => void;
}

export function HeldRing({ at, width, label, placeBy, onMove }: Props) {
  const styles = useStyles(make);
  const { ref, handlers } = useDrag({
    grip: () => ({ placeBy, last: null as Place | null }),
    onMove: (taken, dx, dy) => {
      taken.last = taken.placeBy(dx, dy);
      onMove(taken.last, false);
    },
    onDrop: ({ last }, moved) => {
      if (moved && last) onMove(last, true);
    },
  });
  return (
    <>
      <View
        ref={ref as never}
        {...(handlers as object)}
        {...({ onClick: (event: Event) => event.stopPropagation() } as object)}
        style={{
          position: 'absolute',
          left: at.x - SIZE / 2,
          top: at.y - SIZE / 2,
          width: SIZE,
          height: SIZE,
          alignItems: 'center',
          justifyContent: 'center',
          ...({ touchAction: 'none', cursor: 'grab' } as object),
        }}
        role="img"
        aria-label="Move this line"
        testID="held-ring"
      >
        <View style={styles.ring} />
      </View>
      {label !== null && (
        <View
          pointerEvents="none"
          testID="held-label"
          style={[
            styles.label,
            { left: Math.min(Math.max(0, at.x - LABEL / 2), Math.max(0, width - LABEL)), top: at.y - OVER - 36 },
          ]}
        >
          <Text kind="strong">{label[0]}</Text>
          {label[1] !== '' && <Text kind="small">{label[1]}</Text>}
        </View>
      )}
    </>
  );
}
