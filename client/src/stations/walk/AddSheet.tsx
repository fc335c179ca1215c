import {
  CUBIC_METRES_PER_SECOND_PER_GPM,
  freeName,
  METRES_PER_FOOT,
  METRES_PER_INCH,
  ofKind,
  put,
  type Element,
} from '@katabasis/core';
import { Pressable, View } from 'react-native';
import { newId } from '../../data/sessions';
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

interface Kind {
  stem: string;
  says: string;
  build: (id: string, name: string, ground: number, firstDownspout: string | undefined) => Element;
}

const KINDS: readonly Kind[] = [
  {
    stem: 'Roof face',
    says: 'One slope of roof that sheds to a gutter',
    build: (id, name, _ground, first) => ({
      id,
      kind: 'roofFace',
      name,
      storey: 1,
      shape: { type: 'sides', width: 30 * METRES_PER_FOOT, run: 15 * METRES_PER_FOOT, pitch: 0.5 },
      feeds: first ? [{ to: first, share: 1 }] : [],
    }),
  },
  {
    stem: 'Downspout',
    says: 'Where a gutter comes down, to the ground or to a lower gutter',
    build: (id, name, groundLevel) => ({ id, kind: 'downspout', name, storey: 1, size: 'rect3x4', groundLevel }),
  },
  {
    stem: 'Basin',
    says: 'A catch basin with a grate at a low spot',
    build: (id, name, groundLevel) => ({ id, kind: 'basin', name, grate: 'flat12', groundLevel }),
  },
  {
    stem: 'Channel drain',
    says: 'A slot or grated channel across paving that sheds toward a door',
    build: (id, name, groundLevel) => ({
      id,
      kind: 'channel',
      name,
      groundLevel,
      width: 4 * METRES_PER_INCH,
      depth: 6 * METRES_PER_INCH,
      length: 10 * METRES_PER_FOOT,
      slope: 0,
    }),
  },
  {
    stem: 'Steady water',
    says: 'A condensate or sump line, a spring, a neighbour’s downspout',
    build: (id, name, _ground, first) => ({
      id,
      kind: 'fixedFlow',
      name,
      flow: CUBIC_METRES_PER_SECOND_PER_GPM,
      feeds: first ? [{ to: first, share: 1 }] : [],
    }),
  },
  {
    stem: 'Ground',
    says: 'Lawn, paving or bed whose water runs to a basin or channel',
    build: (id, name) => ({
      id,
      kind: 'surface',
      name,
      cover: 'lawnLoam',
      area: 1000 * METRES_PER_FOOT ** 2,
      feeds: [],
    }),
  },
  {
    stem: 'Wye',
    says: 'Where lines join; a cleanout or a bend can be made of it',
    build: (id, name, groundLevel) => ({ id, kind: 'junction', name, form: 'wye', groundLevel }),
  },
  {
    stem: 'Way out',
    says: 'Where the water may go: swale, slope, ditch, street, lawn',
    build: (id, name, groundLevel) => ({
      id,
      kind: 'discharge',
      name,
      form: 'daylight',
      receiving: 'swale',
      groundLevel: groundLevel - 3 * METRES_PER_FOOT,
      assumed: true,
    }),
  },
];

export function AddSheet({ onClose, onGo }: { onClose: () => void; onGo: (id: string) => void }) {
  const { job, edit } = useKept();
  const styles = useStyles(make);
  const add = ({ stem, build }: Kind): void => {
    const levels = job.elements.all.flatMap((element) =>
      'groundLevel' in element && element.kind !== 'discharge' ? [element.groundLevel] : [],
    );
    const element = build(newId('e'), freeName(job, stem), levels.at(-1) ?? 0, ofKind(job, 'downspout')[0]?.id);
    if (edit(put(`Put in ${stem.toLowerCase()}`, element)) === null) onGo(element.id);
  };
  return (
    <Sheet title="Put something in" onClose={onClose}>
      <View>
        {KINDS.map((kind) => (
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
