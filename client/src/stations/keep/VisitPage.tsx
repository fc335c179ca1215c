/** One visit: what was found, what the plan said to it on that day, what would explain the difference, and what to do next. */
import { elementOf, put, type Visit } from '@katabasis/core';
import { keepVisit, sayVisit, visitTitle } from '@katabasis/core/visits';
import { View } from 'react-native';
import { NameField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { without } from '../../input/without';
import { useJob } from '../../planning/useJob';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { Mark } from '../../ui/Mark';
import { Text } from '../../ui/Text';
import { useGo } from '../useGo';
import { Explained } from './Explained';
import { RainExplained } from './RainExplained';
import { JarsRanked } from './written/JarsRanked';
import { PutPhotos } from './PutPhotos';
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
      {test.type === 'jars' && <JarsRanked jars={test.tries} />}
      {rained && <RainExplained visit={visit} />}
      <TakeOver visit={visit} />
      <Words visit={visit} />
      <PutPhotos
        photos={visit.photos}
        called={`${visitTitle(job, visit)}, ${visit.at.slice(0, 10)}`}
        at={thingOf(visit)}
        onPut={(photo, photos) => ({
          label: 'Put a photo to a visit',
          puts: [photo, { ...visit, photos }],
          removes: [],
        })}
        testID="visit-photo"
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m }}>
        {said === undefined && (
          <Button label="Close it" kind="main" onPress={() => void edit(keepVisit(job, plan, visit))} />
        )}
        {test.type !== 'jars' && (
          <Button
            label={visit.mended ? 'Nothing was mended after all' : 'Something was mended here'}
            onPress={() =>
              void edit(put('Say that it was mended', without(visit, 'mended', visit.mended ? undefined : true)))
            }
          />
        )}
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

/** The thing that a visit's photos stand at. */
function thingOf({ test }: Visit): string | undefined {
  switch (test.type) {
    case 'hose':
      return test.into;
    case 'drainDown':
      return test.of;
    case 'rain':
      return test.stood[0]?.at;
    default:
      return undefined;
  }
}
