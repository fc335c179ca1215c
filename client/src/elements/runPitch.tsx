/** The pitch of a run: what it lies at, a dial under the thumb, and the figure typed. */
import { put, showPitch, showPitchTrade, text, type Run, type RunPlan } from '@katabasis/core';
import { View } from 'react-native';
import { usePreview } from '../planning/useJob';
import { QuantityField } from '../input/Field';
import { PitchDial } from '../input/PitchDial';
import { SPACE } from '../theme/tokens';
import { Choice } from '../ui/Choice';
import { footRow } from '../ui/rows';
import { Text } from '../ui/Text';
import { pitchEntry } from '../input/entry';

const GRADES = [
  { value: 'auto', label: 'Finds its own' },
  { value: 'pitch', label: 'Set by you' },
] as const;

/** An old pipe lies as it was found. */
const AS_FOUND = [
  { value: 'auto', label: 'As it was found' },
  { value: 'pitch', label: 'Set by you' },
] as const;

export function RunPitch({ run, planned }: { run: Run; planned: RunPlan }) {
  const { edit, preview, units } = usePreview();
  const set = (pitch: number): Run => ({ ...run, grade: { type: 'pitch', pitch } });
  const commit = (pitch: number): string | null => {
    preview(null);
    return edit(put(`Set pitch ${text(showPitch(pitch))}`, set(pitch)));
  };
  const start = Math.max(planned.pitch, planned.leastPitch);
  return (
    <View style={{ gap: SPACE.s }}>
      <View style={{ flexDirection: 'row', alignItems: 'baseline', gap: 8, flexWrap: 'wrap' }}>
        <Text kind="small">Pitch</Text>
        <Text kind="hero" {...(planned.pitch < planned.leastPitch - 1e-6 ? { tone: 'stop' as const } : {})}>
          {showPitch(planned.pitch).value}
        </Text>
        <Text>%</Text>
        <Text kind="small">
          {text(showPitchTrade(planned.pitch, units))}, least {text(showPitch(planned.leastPitch))}
          {run.grade.type === 'levels' ? ', from levels set by you' : ''}
        </Text>
      </View>
      <PitchDial
        units={units}
        pitch={planned.pitch}
        least={planned.leastPitch}
        onPreview={(pitch) => preview(put('Turn the dial', set(pitch)))}
        onCommit={commit}
      />
      <View style={footRow}>
        <Choice
          label="Grade"
          hideLabel
          value={run.grade.type === 'auto' ? 'auto' : run.grade.type === 'pitch' ? 'pitch' : null}
          options={run.old?.fate === 'kept' ? AS_FOUND : GRADES}
          onChoose={(value) =>
            edit(
              value === 'auto'
                ? put('Let it find its own pitch', { ...run, grade: { type: 'auto' } })
                : put(`Set pitch ${text(showPitch(start))}`, set(start)),
            )
          }
        />
        <QuantityField
          label="Or type it"
          value={planned.pitch}
          {...pitchEntry}
          onCommit={(pitch) => commit(pitch!)}
          testID="run-pitch"
        />
      </View>
    </View>
  );
}
