/** How the water rose and fell at one thing, in the storm that was watched last: shown on its sheet. */
import { nameOf, showClock, showSmall, text } from '@katabasis/core';
import { View } from 'react-native';
import { Chart } from '../../../drawing/Chart';
import { askedStorm, USUAL_STORM } from '../../../planning/askedStorm';
import { useNoted } from '../../../input/useNoted';
import { useJob } from '../../../planning/useJob';
import { Text } from '../../../ui/Text';
import { useStorm } from './useStorm';

const INCH = 0.0254;
const MINUTE = 60;
/** Less than so is no water to draw, m. */
const LEAST = 0.002;

export function LevelCurve({ id }: { id: string }) {
  const { job, units } = useJob();
  const [asked] = useNoted(`storm ${job.id}`, askedStorm, USUAL_STORM);
  const { storm } = useStorm(job, asked);
  const k = storm?.seen.landings.indexOf(id) ?? -1;
  if (!storm || k < 0) return null;
  const { frames, outcome } = storm;
  const depths = frames.map(({ depths: all }) => all[k]!);
  const most = Math.max(...depths);
  const name = nameOf(job, id);
  const when = frames[depths.indexOf(most)]!.time;
  const says = `Over ${name} in ${outcome ? 'this' : 'the'} storm: ${text(showSmall(most, units))} at ${showClock(when)}.`;
  return (
    <View style={{ gap: 8, maxWidth: 460 }} testID="level-curve">
      <Text kind="strong">{most < LEAST ? `Nothing stands over ${name} in this storm.` : says}</Text>
      {most >= LEAST && (
        <Chart
          said={says}
          across={{ label: 'minutes', most: frames.at(-1)!.time, per: MINUTE }}
          up={units === 'metric' ? { label: 'mm', most, per: 1e-3 } : { label: 'in', most, per: INCH }}
          curve={frames.map(({ time }, at) => [time, depths[at]!] as const)}
          filled
        />
      )}
    </View>
  );
}
