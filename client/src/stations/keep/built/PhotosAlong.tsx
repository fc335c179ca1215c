/** Photos before cover, pipe by pipe and station by station: for who digs there again. */
import { showLength, text } from '@katabasis/core';
import { alongWords, photosAlong } from '@katabasis/core/as-built';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Picture } from '../../../parts/Picture';
import { useJob } from '../../../planning/useJob';
import { SPACE } from '../../../theme/tokens';
import { Text } from '../../../ui/Text';

export function PhotosAlong() {
  const { job, units } = useJob();
  const photos = useMemo(() => photosAlong(job), [job]);
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">Photos before cover</Text>
      {photos.length === 0 && (
        <Text>
          None stands at a pipe yet. Take one in the Yard where the pipe lies open: it stands here by its place along
          it.
        </Text>
      )}
      {photos.map(({ photo, run, along }) => (
        <Picture
          key={photo.id}
          file={photo.file}
          said={`${alongWords(job, { run }, text(showLength(along, units)))}: ${photo.note ?? photo.name}`}
        />
      ))}
    </View>
  );
}
