/** What is on the end of a line, and the swale or channel drain that it lets out into. */
import { ofKind, OUTFALLS, put, type Discharge } from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { without } from '../../input/without';
import { SPACE } from '../../theme/tokens';
import { Choice } from '../../ui/Choice';
import { Text } from '../../ui/Text';

const NONE = '';

export function EndOfLine({ discharge }: { discharge: Discharge }) {
  const { job, edit } = useJob();
  const swales = ofKind(job, 'swale');
  const outfall = OUTFALLS[discharge.form];
  if (!outfall.opensOut) return null;
  if (outfall.inChannel) return <IntoChannel discharge={discharge} />;
  return (
    <>
      {swales.length > 0 && (
        <Choice
          label="Lets out into"
          value={discharge.into ?? NONE}
          options={[
            ...swales.map(({ id, name }) => ({ value: id, label: name })),
            { value: NONE, label: 'No swale of this job' },
          ]}
          onChoose={(into) =>
            void edit(put('Say what it lets out into', without(discharge, 'into', into === NONE ? undefined : into)))
          }
        />
      )}
      <Choice
        label="On its end"
        value={discharge.end ?? 'open'}
        options={[
          { value: 'open', label: 'Nothing' },
          { value: 'guard', label: 'A guard', note: 'swings open' },
          { value: 'grate', label: 'A grate', note: 'leaves plug it from inside' },
        ]}
        onChoose={(end) => void edit(put('Say what is on its end', { ...discharge, end }))}
      />
    </>
  );
}

/** The channel drain through which the water runs on. */
function IntoChannel({ discharge }: { discharge: Discharge }) {
  const { job, edit } = useJob();
  const channels = ofKind(job, 'channel');
  if (channels.length === 0)
    return <Text>There is no channel drain in this job yet: put it in, and choose it here.</Text>;
  return (
    <View style={{ gap: SPACE.xs }}>
      <Choice
        label="Into the upper end of"
        value={discharge.into ?? null}
        options={channels.map(({ id, name }) => ({ value: id, label: name }))}
        onChoose={(into) => edit(put('Say which channel it runs into', { ...discharge, into }))}
      />
      <Text kind="small">Its levels are the channel’s; all that the pipe brings runs the whole of it.</Text>
    </View>
  );
}
