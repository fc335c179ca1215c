/** A bucket and the time in which it was filled: sizes as chips, one number to type. */
import { CUBIC_METRES_PER_SECOND_PER_GPM } from '@katabasis/core';
import { bucketSays } from '@katabasis/core/visits';
import { useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { bucketEntry, watchEntry } from '../../input/measuredEntry';
import { SPACE } from '../../theme/tokens';
import { Choice } from '../../ui/Choice';
import { footRow } from '../../ui/rows';
import { Text } from '../../ui/Text';

export interface Filled {
  volume: number;
  seconds: number;
}

const GALLON = CUBIC_METRES_PER_SECOND_PER_GPM * 60;
const SIZES = { us: [2 * GALLON, 5 * GALLON], metric: [0.01, 0.02] } as const;
const OTHER = 'other';

interface Props {
  label: string;
  value: Filled | undefined;
  /** The size that it begins with. */
  usual: number | undefined;
  onTake: (filled: Filled | undefined) => string | null;
  testID: string;
}

export function Bucket({ label, value, usual, onTake, testID }: Props) {
  const { job, units } = useJob();
  const [chosen, setChosen] = useState<number | null>(null);
  const volume = value?.volume ?? chosen ?? usual ?? SIZES[units][1];
  const entry = bucketEntry(units);
  const listed = SIZES[units].find((size) => Math.abs(size - volume) < 1e-6);
  const [other, setOther] = useState(listed === undefined);
  const resize = (size: number): string | null => {
    setChosen(size);
    return value ? onTake({ ...value, volume: size }) : null;
  };
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">{label}</Text>
      <View style={footRow}>
        <Choice
          label="Bucket of"
          value={other ? OTHER : String(listed)}
          options={[
            ...SIZES[units].map((size) => ({ value: String(size), label: entry.show(size).replace('.0', '') })),
            { value: OTHER, label: 'Another' },
          ]}
          onChoose={(size) => {
            setOther(size === OTHER);
            return size === OTHER ? null : resize(Number(size));
          }}
        />
        {other && (
          <QuantityField
            label="It holds"
            name={`${label} holds`}
            value={volume}
            {...entry}
            onCommit={(size) => resize(size!)}
            testID={`${testID}-volume`}
          />
        )}
        <QuantityField
          label="Full after"
          name={`${label} full`}
          value={value?.seconds}
          {...watchEntry}
          optional
          usual="not measured"
          onCommit={(seconds) => onTake(seconds === undefined ? undefined : { volume, seconds })}
          testID={testID}
        />
      </View>
      {value && <Text>{bucketSays(job, value)}</Text>}
    </View>
  );
}
