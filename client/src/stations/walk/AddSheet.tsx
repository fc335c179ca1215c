import { CREATIONS, freeName, freshId, kindOf, ofKind, put } from '@katabasis/core';
import { Pressable, View } from 'react-native';
import { useKept } from '../../data/useJob';
import { useStyles } from '../../theme/theme';
import { SPACE, TOUCH, type Palette } from '../../theme/tokens';
import { Sheet } from '../../ui/Sheet';
import { Text } from '../../ui/Text';

const make = (palette: Palette) => ({
  kind: {
    minHeight: TOUCH + 12,
    borderTopWidth: 1,
    borderTopColor: palette.line,
    justifyContent: 'center' as const,
    paddingVertical: SPACE.s,
  },
});

const OFFERED = CREATIONS.filter(({ says }) => says !== undefined);

export function AddSheet({ onClose, onGo }: { onClose: () => void; onGo: (id: string) => void }) {
  const { job, edit } = useKept();
  const styles = useStyles(make);
  const add = ({ kind, stem, build }: (typeof OFFERED)[number]): void => {
    const levels = job.elements.all.flatMap((element) =>
      'groundLevel' in element && element.kind !== 'discharge' ? [element.groundLevel] : [],
    );
    const element = build({
      id: freshId(kindOf(kind).idStem),
      name: freeName(job, stem),
      groundLevel: levels.at(-1) ?? 0,
      firstDownspout: ofKind(job, 'downspout')[0]?.id,
    });
    if (edit(put(`Put in ${stem.toLowerCase()}`, element)) === null) onGo(element.id);
  };
  return (
    <Sheet title="Put something in" onClose={onClose}>
      <View>
        {OFFERED.map((kind) => (
          <Pressable
            key={kind.stem}
            role="button"
            aria-label={`${kind.stem}: ${kind.says}`}
            onPress={() => add(kind)}
            style={styles.kind}
          >
            <Text kind="strong">{kind.stem}</Text>
            <Text kind="small">{kind.says}</Text>
          </Pressable>
        ))}
      </View>
    </Sheet>
  );
}
