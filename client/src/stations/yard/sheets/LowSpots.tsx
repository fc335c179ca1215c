/** Several low spots at once: a basin in each, on lines of their own and joined, as two plans to compare. */
import { ofKind, type GroundSays, type Place } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { findLowSpots } from '../../../planning/planner';
import { useJob } from '../../../planning/useJob';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Text } from '../../../ui/Text';
import { useGo } from '../../useGo';

/** Nearer than so a basin is in the low spot already, m. */
const THERE = 1.5;

export function LowSpots({ says }: { says: GroundSays }) {
  const { job, edit } = useJob();
  const go = useGo();
  const [working, setWorking] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  const inlets = ofKind(job, 'basin').flatMap(({ place }) => place ?? []);
  const free = (place: Place): boolean =>
    inlets.every(({ east, north }) => Math.hypot(east - place.east, north - place.north) > THERE);
  const seen = new Map(says.seen.map(({ wet, pond }) => [pond?.deepest ?? wet.id, wet.place!]));
  const places = [...seen.values(), ...says.unseen.map(({ place }) => place)].filter(free);
  if (places.length < 2) return null;
  const put = async (): Promise<void> => {
    setWorking(true);
    setSaid(null);
    try {
      const plans = await findLowSpots(job, places, new AbortController().signal);
      const wrong = plans.ok ? edit(plans.change) : plans.sentence;
      if (wrong === null) go('build', '~options');
      else setSaid(wrong);
    } catch {
      setSaid('It could not be worked out. Try again.');
    } finally {
      setWorking(false);
    }
  };
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">{places.length} low spots without an inlet</Text>
      <Text kind="small">
        A basin goes into each, led off two ways that stand as options side by side: each on its own line, and joined.
        Lines are drawn straight: drag them round what is in the way.
      </Text>
      {working ? (
        <Text role="status">Laying out both.</Text>
      ) : (
        <View style={{ flexDirection: 'row' }}>
          <Button label="A basin in each, two ways" onPress={() => void put()} testID="low-spots" />
        </View>
      )}
      {said !== null && (
        <Text tone="stop" role="alert">
          {said}
        </Text>
      )}
    </View>
  );
}
