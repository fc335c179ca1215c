/** Who else has this job open: said now and then, as long as the page is seen. */
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { together } from '../files/together';
import { useJobPart, type OpenJob } from '../planning/useJob';
import { SPACE } from '../theme/tokens';
import { Text } from '../ui/Text';

const OFTEN_MS = 30_000;
const idOf = ({ job }: OpenJob): { id: string } => ({ id: job.id });

const sentence = (names: readonly string[]): string => {
  const [first, second] = names;
  if (names.length === 1) return `${first} has this job open too.`;
  return names.length === 2
    ? `${first} and ${second} have this job open too.`
    : `${first} and ${names.length - 1} others have this job open too.`;
};

export function OthersHere() {
  const { id } = useJobPart(idOf);
  const [others, setOthers] = useState<readonly string[]>([]);
  useEffect(() => {
    let gone = false;
    const say = (): void => {
      if (document.visibilityState !== 'visible') return;
      together.here(id).then(
        (now) => !gone && setOthers(now),
        // Out of reach nobody is known to be there.
        () => !gone && setOthers([]),
      );
    };
    say();
    const timer = setInterval(say, OFTEN_MS);
    return () => {
      gone = true;
      clearInterval(timer);
      together.left(id).catch(() => undefined);
    };
  }, [id]);
  if (others.length === 0) return null;
  return (
    <View style={{ paddingHorizontal: SPACE.m, paddingVertical: SPACE.xs }} role="status" testID="others-here">
      <Text kind="small">{sentence(others)}</Text>
    </View>
  );
}
