/** A section through the yard, along any way that was tapped: its ground, its fall, and what it meets. */
import { placeAlong, nameOf, showLength, showLevel, showPitch, showSmall, text, type Place } from '@katabasis/core';
import { useCallback } from 'react';
import { View } from 'react-native';
import { useJob } from '../../../planning/useJob';
import { useYard } from '../../../planning/useYard';
import { CutDrawing } from '../../../drawing/CutDrawing';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Sheet } from '../../../ui/Sheet';
import { Text } from '../../../ui/Text';

interface Props {
  way: readonly Place[];
  onBack: () => void;
  onAnew: (() => void) | null;
  onClose: () => void;
  onShow: (place: Place | null) => void;
}

export function SectionSheet({ way, onBack, onAnew, onClose, onShow }: Props) {
  const { job, units } = useJob();
  const { answer: cut, behind } = useYard(job, 'cut', way);
  const point = useCallback(
    (along: number | null) => onShow(along === null ? null : placeAlong(way, along)),
    [onShow, way],
  );
  const length = (metres: number): string => text(showLength(metres, units));
  const known = cut?.ground.filter((each) => each !== null) ?? [];
  return (
    <Sheet title="Section" onClose={onClose}>
      {way.length < 2 ? (
        <Text kind="strong">
          {way.length === 0 ? 'Tap where the section begins, then where it goes.' : 'Tap where it goes next.'}
        </Text>
      ) : !cut || (behind && cut.length === 0) ? (
        <Text tone="soft">Working out the ground.</Text>
      ) : (
        <>
          <Text kind="heading">
            {cut.fall === null
              ? `${length(cut.length)}, and no levels there`
              : `${cut.fall < 0 ? 'Rises' : 'Falls'} ${text(showSmall(Math.abs(cut.fall), units))} over ${length(known.at(-1)!.along - known[0]!.along)}: ${text(showPitch(Math.abs(cut.fall) / (known.at(-1)!.along - known[0]!.along)))}`}
          </Text>
          {cut.fall === null ? (
            <Text>Take levels along it, and its ground is drawn here.</Text>
          ) : (
            <CutDrawing cut={cut} onPoint={point} />
          )}
          {cut.meets.map(({ id, from, to }) => (
            <Text key={`${id} ${from}`}>
              {nameOf(job, id)}, {length(from)} along{to > from ? `, for ${length(to - from)}` : ''}
            </Text>
          ))}
          {known.length > 1 && (
            <Text kind="small">
              From {text(showLevel(known[0]!.level, units))} to {text(showLevel(known.at(-1)!.level, units))}. Ground
              between levels is straight as far as anybody knows.
            </Text>
          )}
        </>
      )}
      {way.length > 0 && (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
          <Button label="One back" onPress={onBack} />
          {onAnew && <Button label="Begin anew" kind="bare" onPress={onAnew} />}
        </View>
      )}
    </Sheet>
  );
}
