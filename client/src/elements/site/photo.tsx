/** A photo. */
import { put, type Photo } from '@katabasis/core';
import { Path, Rect } from 'react-native-svg';
import { useJob } from '../../planning/useJob';
import { NameField, QuantityField } from '../../input/Field';
import { degreesEntry } from '../../input/entry';
import { without } from '../../input/without';
import { DayField } from '../../parts/Day';
import { OwnName } from '../../parts/forms/OwnName';
import { Picture } from '../../parts/Picture';
import type { ElementView } from '../view';

function Form({ element: photo }: { element: Photo }) {
  const { edit } = useJob();
  return (
    <>
      <Picture file={photo.file} said={photo.name} />
      <OwnName element={photo} />
      <NameField
        label="What it shows"
        value={photo.note ?? ''}
        optional
        most={2000}
        onCommit={(note) => edit(put('Say what it shows', without(photo, 'note', note === '' ? undefined : note)))}
      />
      <QuantityField
        label="Looks toward"
        usual="not said"
        value={photo.bearing}
        {...degreesEntry}
        optional
        hint="0° is north, 90° east"
        onCommit={(bearing) =>
          bearing !== undefined && bearing < 0
            ? 'A bearing is from 0° to 360°, clockwise from north.'
            : edit(put('Say which way it looks', without(photo, 'bearing', bearing)))
        }
      />
      <DayField
        label="Taken on"
        value={photo.takenOn}
        onCommit={(day) => edit(put('Say when it was taken', without(photo, 'takenOn', day)))}
      />
    </>
  );
}

export const photoView: ElementView<Photo> = {
  Form,
  list: { group: 'pictures', about: ({ note, takenOn }) => ({ about: note ?? takenOn ?? 'photo' }) },
  onPlan: (_, { spots: [at], ink, ground, chosen }) => (
    <>
      <Rect
        x={at!.x - 12}
        y={at!.y - 8}
        width={24}
        height={17}
        rx={2}
        fill={ground}
        stroke={ink}
        strokeWidth={chosen ? 3.5 : 2}
      />
      <Path
        d={`M${at!.x - 4} ${at!.y}a4 4 0 1 0 8 0a4 4 0 1 0 -8 0M${at!.x - 5} ${at!.y - 8}l2 -3h6l2 3`}
        fill="none"
        stroke={ink}
        strokeWidth={2}
      />
    </>
  ),
};
