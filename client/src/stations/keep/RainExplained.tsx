/** A visit after rain: what the storm with that rain gives at each place, and what would explain what stood instead. */
import { elementOf, nameOf, put, showPercent, showSmall, text, type Visit } from '@katabasis/core';
import type { RainTold } from '@katabasis/core/visits';
import { grateShare, joinedCauses, rainCauseWords, sure, withShut } from '@katabasis/core/visits';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { explainRain } from '../../planning/storms';
import { useWorked } from '../../planning/useWorked';
import { SPACE } from '../../theme/tokens';
import { Mark } from '../../ui/Mark';
import { Text } from '../../ui/Text';
import { Causes } from './Explained';
import { Offered } from './Offered';

/** Causes that are told. */
const TOLD = 3;

export function RainExplained({ visit }: { visit: Visit }) {
  const { job, units } = useJob();
  const told = useWorked<RainTold>([job.elements, visit], (signal, give) =>
    explainRain(job, visit.id, { signal }, give),
  );
  const { test } = visit;
  if (test.type !== 'rain') return null;
  if (!told) return <Text tone="soft">Raining on the plan as it did.</Text>;
  const whole = told.done >= told.of;
  const causes = joinedCauses(told.ranked).slice(0, TOLD);
  return (
    <View style={{ gap: SPACE.m }} testID="rain-explained">
      <Text kind="heading">With that rain the plan gives</Text>
      {test.stood.map(({ at, depth }, k) => {
        const { low, high } = told.expected[k]!;
        const off = depth > high * 1.2 + 0.008 || depth < low * 0.8 - 0.008;
        return (
          <View key={at} style={{ flexDirection: 'row', gap: SPACE.m, alignItems: 'flex-start' }}>
            <Mark kind={off ? 'fix' : 'holds'} />
            <View style={{ flex: 1 }}>
              <Text kind="strong">
                {nameOf(job, at)}: {text(showSmall(depth, units))} stood
              </Text>
              <Text>
                {text(showSmall(low, units))} to {text(showSmall(high, units))} over its grate is to be expected,
                whichever way the rain fell within its hours.
              </Text>
            </View>
          </View>
        );
      })}
      {!told.asPlanned && causes.length > 0 && (
        <>
          <Text kind="heading">What would explain it</Text>
          <Causes
            causes={causes.map(({ cause, belief }) => ({
              sure: sure(belief),
              title: rainCauseWords(job, cause),
              says: '',
            }))}
          />
        </>
      )}
      {whole && causes[0]?.cause.kind === 'blocked' && <CountOn visit={visit} told={told} id={causes[0].cause.id} />}
      {!whole && (
        <Text kind="small" role="status">
          Storm {told.done} of {told.of} tried.
        </Text>
      )}
    </View>
  );
}

/** The share of a grate that was shut, counted on from now on by a tap, with what the plan says then. */
function CountOn({ visit, told, id }: { visit: Visit; told: RainTold; id: string }) {
  const { job } = useJob();
  const basin = elementOf(job, 'basin', id);
  const place = visit.test.type === 'rain' ? visit.test.stood.findIndex(({ at }) => at === id) : -1;
  const found =
    visit.test.type === 'rain' && place >= 0
      ? grateShare(told.ranked, id, place, visit.test.stood[place]!.depth)
      : null;
  if (!basin || !found) return null;
  const next = withShut(basin, found.share);
  if (next.clogging === basin.clogging) return null;
  const percent = (part: number): string => text(showPercent(part));
  return (
    <Offered
      label="Count on that from now on"
      why={`Of what its grate is counted on to take, ${percent(found.share)} was shut (${percent(found.low)} to ${percent(found.high)}).`}
      change={put(`Grate of ${basin.name} as found`, next)}
    />
  );
}
