/** One visit: what was found, what the plan said to it on that day, what would explain the difference, and what to do next. */
import { elementOf, freshId, put, type Photo, type Visit } from '@katabasis/core';
import { keepVisit, sayVisit, visitTitle } from '@katabasis/core/visits';
import { useState } from 'react';
import { View } from 'react-native';
import { pickFile } from '../../files/files';
import { keepPicture } from '../../files/pictures';
import { NameField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { without } from '../../input/without';
import { Picture } from '../../parts/Picture';
import { todayOf } from '../../parts/today';
import { useJob } from '../../planning/useJob';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Mark } from '../../ui/Mark';
import { Text } from '../../ui/Text';
import { useGo } from '../useGo';
import { Explained } from './Explained';
import { RainExplained } from './RainExplained';
import { TakeOver } from './TakeOver';
import { sayMoment } from './moments';

export function VisitPage({ id }: { id: string }) {
  const { job } = useJob();
  const visit = elementOf(job, 'visit', id);
  if (!visit) return <Text>This visit is not here any more.</Text>;
  return <Shown visit={visit} />;
}

function Shown({ visit }: { visit: Visit }) {
  const { job, plan, edit } = useJob();
  const go = useGo();
  const { said, test } = visit;
  const now = sayVisit(job, plan, visit);
  const state = said?.asPlanned;
  const off = state === false;
  // What stood is told beside what that rain gives.
  const rained = test.type === 'rain' && test.stood.length > 0;
  const changed = said !== undefined && said.sentence !== now.sentence;
  return (
    <View style={{ gap: SPACE.l, maxWidth: 700 }}>
      <View style={{ gap: SPACE.xs }}>
        <Text kind="heading">{visitTitle(job, visit)}</Text>
        <Text kind="small">
          {sayMoment(visit.at)}
          {visit.by === undefined ? '' : `, ${visit.by}`}
        </Text>
      </View>
      {!rained && (
        <View
          style={{ flexDirection: 'row', gap: SPACE.m, alignItems: 'flex-start' }}
          role="status"
          testID="visit-says"
        >
          <Mark kind={state === undefined ? 'empty' : off ? 'fix' : 'holds'} size={24} />
          <View style={{ flex: 1, gap: SPACE.xs }}>
            <Text kind="strong">{said?.sentence ?? now.sentence}</Text>
            {now.expects !== '' && <Text>{now.expects}</Text>}
          </View>
        </View>
      )}
      {changed && (
        <View style={{ gap: SPACE.xs }}>
          <Text kind="small">The plan has changed since. By the plan as it is now:</Text>
          <Text>{now.sentence}</Text>
        </View>
      )}
      {test.type === 'hose' && (off || now.asPlanned === false) && <Explained visit={visit} />}
      {rained && <RainExplained visit={visit} />}
      <TakeOver visit={visit} />
      <Words visit={visit} />
      <Photos visit={visit} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m }}>
        {said === undefined && (
          <Button label="Close it" kind="main" onPress={() => void edit(keepVisit(job, plan, visit))} />
        )}
        <Button
          label={visit.mended ? 'Nothing was mended after all' : 'Something was mended here'}
          onPress={() =>
            void edit(put('Say that it was mended', without(visit, 'mended', visit.mended ? undefined : true)))
          }
        />
        <Button
          label="Take this visit out"
          kind="bare"
          onPress={() => {
            if (edit({ label: 'Take a visit out', puts: [], removes: [visit.id] }) === null) go('keep', null);
          }}
        />
      </View>
    </View>
  );
}

function Words({ visit }: { visit: Visit }) {
  const { edit } = useJob();
  return (
    <Fields of={visit.id}>
      <View style={{ gap: SPACE.m }}>
        <NameField
          label="In words"
          value={visit.note ?? ''}
          optional
          most={2000}
          lines={2}
          onCommit={(note) => edit(put('Write about a visit', without(visit, 'note', note === '' ? undefined : note)))}
        />
        <NameField
          label="Who was there"
          value={visit.by ?? ''}
          optional
          onCommit={(by) => edit(put('Say who was there', without(visit, 'by', by === '' ? undefined : by)))}
        />
      </View>
    </Fields>
  );
}

/** Where a visit's photos stand on the plan: at the thing that it is of. */
function placeOf(visit: Visit, job: ReturnType<typeof useJob>['job']): Photo['place'] {
  const { test } = visit;
  const id =
    test.type === 'hose'
      ? test.into
      : test.type === 'drainDown'
        ? test.of
        : test.type === 'rain'
          ? test.stood[0]?.at
          : undefined;
  const element = id === undefined ? undefined : job.elements.get(id);
  return element && 'place' in element ? element.place : undefined;
}

function Photos({ visit }: { visit: Visit }) {
  const { job, edit } = useJob();
  const [wrong, setWrong] = useState<string | null>(null);
  const photos = (visit.photos ?? []).flatMap((id) => elementOf(job, 'photo', id) ?? []);
  const take = async (): Promise<void> => {
    const file = await pickFile('image/*');
    if (!file) return;
    const kept = await keepPicture(file).catch((error: Error) => error);
    if (kept instanceof Error) return setWrong(kept.message);
    const place = placeOf(visit, job);
    const photo: Photo = {
      id: freshId('photo'),
      kind: 'photo',
      name: `${visitTitle(job, visit)}, ${visit.at.slice(0, 10)}`.slice(0, 120),
      file: kept.hash,
      takenOn: todayOf(),
      ...(place ? { place } : {}),
    };
    const next = { ...visit, photos: [...(visit.photos ?? []), photo.id] };
    setWrong(edit({ label: 'Put a photo to a visit', puts: [photo, next], removes: [] }));
  };
  return (
    <View style={{ gap: SPACE.m }}>
      {photos.map((photo) => (
        <Picture key={photo.id} file={photo.file} said={photo.note ?? photo.name} />
      ))}
      <View style={{ flexDirection: 'row' }}>
        <Button label="Add a photo" onPress={() => void take()} testID="visit-photo" />
      </View>
      {wrong !== null && (
        <Text tone="stop" role="alert">
          {wrong}
        </Text>
      )}
    </View>
  );
}
