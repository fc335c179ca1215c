/** Whether an inlet stands in a dip or on a slope, and what runs past it. */
import {
  put,
  showFlow,
  showSmall,
  showVelocity,
  takesGroundWater,
  text,
  type Basin,
  type Channel,
} from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { lengthEntry, pitchEntry } from '../../input/entry';
import { without } from '../../input/without';
import { SPACE } from '../../theme/tokens';
import { Choice } from '../../ui/Choice';
import { Text } from '../../ui/Text';
import { fieldRow } from '../../ui/rows';

/** Overland n of what water comes on over. */
const OVER = [
  { value: '0.012', label: 'Paving' },
  { value: '0.15', label: 'Short grass' },
  { value: '0.24', label: 'Dense grass' },
] as const;

/** In a dip an inlet waits for its water; on a slope some of it runs over and on. */
export function OnSlopeForm({ inlet }: { inlet: Basin | Channel }) {
  const { job, plan, edit, units } = useJob();
  const { approach } = inlet;
  const onSlope = plan.onSlope.get(inlet.id);
  const save = (next: Basin['approach']): string | null =>
    edit(
      put(
        'Say how water comes on',
        without(without(inlet, 'approach', next), 'passesTo', next ? inlet.passesTo : undefined),
      ),
    );
  const others = job.elements.all.filter(takesGroundWater).filter(({ id }) => id !== inlet.id);
  return (
    <View style={{ gap: SPACE.s }}>
      <Choice
        label="It stands"
        value={approach ? 'slope' : 'dip'}
        options={[
          { value: 'dip', label: 'In a low spot' },
          { value: 'slope', label: 'On a slope', note: 'some may run past' },
        ]}
        onChoose={(where) => save(where === 'dip' ? undefined : { slope: 0.02, roughness: 0.012 })}
      />
      {approach && (
        <>
          <View style={fieldRow}>
            <QuantityField
              label="Ground falls toward it"
              value={approach.slope}
              {...pitchEntry}
              onCommit={(slope) => save({ ...approach, slope: slope! })}
            />
            {inlet.kind === 'basin' && (
              <QuantityField
                label="Water comes on as wide as"
                usual="the grate"
                value={approach.width}
                {...lengthEntry(units)}
                optional
                onCommit={(width) => save(without(approach, 'width', width))}
              />
            )}
          </View>
          <Choice
            label="Over"
            value={String(approach.roughness)}
            options={OVER}
            onChoose={(roughness) => save({ ...approach, roughness: Number(roughness) })}
          />
          {others.length > 0 && (
            <Choice
              label="What runs past goes on to"
              value={inlet.passesTo ?? 'none'}
              options={[
                { value: 'none', label: 'Nowhere yet' },
                ...others.map((other) => ({ value: other.id, label: other.name })),
              ]}
              onChoose={(to) =>
                edit(put('Say where the rest goes', without(inlet, 'passesTo', to === 'none' ? undefined : to)))
              }
            />
          )}
          {onSlope && (
            <Text>
              Takes {Math.round(onSlope.share * 100)}% of {text(showFlow(onSlope.offered, units))};{' '}
              {text(showFlow(onSlope.passed, units))} runs past. A sheet {text(showSmall(onSlope.depth, units))} deep at{' '}
              {text(showVelocity(onSlope.velocity, units))} needs {text(showSmall(onSlope.needed, units))} of open grate
              to fall in.
            </Text>
          )}
        </>
      )}
    </View>
  );
}
