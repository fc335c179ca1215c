import { engineersWork, METRES_PER_FOOT } from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { SPACE } from '../../theme/tokens';
import { Text } from '../../ui/Text';

const LADDER_FROM = 4 * METRES_PER_FOOT;

/** They are counted in Build: an edit waits for none of it. */
const NO_TRENCHES = { trenches: [] };

/** What to mind on site, where this plan touches it. */
export function Cautions() {
  const { job, plan } = useJob();
  const beyond = engineersWork(job, plan, NO_TRENCHES);
  const deepest = Object.values(plan.runs).reduce(
    (most, run) => Math.max(most, run.groundUp - run.invertUp, run.groundDown - run.invertDown),
    0,
  );
  return (
    <View style={{ gap: SPACE.s }} role="note" aria-label="Before you dig">
      <Text kind="heading">Before you dig</Text>
      {beyond.map((said) => (
        <Text key={said} kind="strong">
          {said}
        </Text>
      ))}
      <Text>
        Call the locating service and wait for the marks. Dig by hand near them; private lines are not marked.
      </Text>
      {deepest >= LADDER_FROM && (
        <Text>
          From 4 ft deep a ladder belongs in the trench, from 5 ft a protective system, spoil 2 ft back, and a competent
          person on site.
        </Text>
      )}
      <Text>
        Never lead water onto a neighbour or into a sanitary sewer. Local code and licensed practice decide; this only
        plans.
      </Text>
    </View>
  );
}
