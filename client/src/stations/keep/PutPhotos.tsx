/** Photos of a visit or a complaint: shown, and one more put to it, standing on the plan at its thing. */
import { elementOf, freshId, type Change, type Photo } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { pickFile } from '../../files/files';
import { keepPicture } from '../../files/pictures';
import { Picture } from '../../parts/Picture';
import { todayOf } from '../../parts/today';
import { useJob } from '../../planning/useJob';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';

/** Letters that a photo's name holds. */
const MOST = 120;

interface Props {
  photos: readonly string[] | undefined;
  /** What a new one is called, and where it stands: at a thing, where that has a place. */
  called: string;
  at: string | undefined;
  /** The change that puts one there. */
  onPut: (photo: Photo, photos: string[]) => Change;
  testID: string;
}

export function PutPhotos({ photos = [], called, at, onPut, testID }: Props) {
  const { job, edit } = useJob();
  const [wrong, setWrong] = useState<string | null>(null);
  const shown = photos.flatMap((id) => elementOf(job, 'photo', id) ?? []);
  const take = async (): Promise<void> => {
    const file = await pickFile('image/*');
    if (!file) return;
    const kept = await keepPicture(file).catch((error: Error) => error);
    if (kept instanceof Error) return setWrong(kept.message);
    const thing = at === undefined ? undefined : job.elements.get(at);
    const place = thing && 'place' in thing ? thing.place : undefined;
    const photo: Photo = {
      id: freshId('photo'),
      kind: 'photo',
      name: called.slice(0, MOST),
      file: kept.hash,
      takenOn: todayOf(),
      ...(place ? { place } : {}),
    };
    setWrong(edit(onPut(photo, [...photos, photo.id])));
  };
  return (
    <View style={{ gap: SPACE.m }}>
      {shown.map((photo) => (
        <Picture key={photo.id} file={photo.file} said={photo.note ?? photo.name} />
      ))}
      <View style={{ flexDirection: 'row' }}>
        <Button label="Add a photo" onPress={() => void take()} testID={testID} />
      </View>
      {wrong !== null && (
        <Text tone="stop" role="alert">
          {wrong}
        </Text>
      )}
    </View>
  );
}
