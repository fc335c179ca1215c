/** What a run meets on its way over the plan, in the order met. */
import { crossingsOfRun, nameOf, showLength, text, type Run } from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../planning/useJob';
import { Text } from '../ui/Text';

export function Crossings({ run }: { run: Run }) {
  const { job, units } = useJob();
  const met = crossingsOfRun(job, run);
  if (met.length === 0) return null;
  const length = (metres: number): string => text(showLength(metres, units));
  return (
    <View>
      <Text kind="heading">What it meets</Text>
      {met.map(({ id, from, to, angle }) => (
        <Text key={`${id} ${from}`}>
          {nameOf(job, id)}, {length(from)} down it
          {to > from ? `, for ${length(to - from)}` : ''}
          {angle === null ? '' : `, at ${Math.round((angle * 180) / Math.PI)}°`}
        </Text>
      ))}
    </View>
  );
}
