/** The plan beside a page of Build on a desk, with what is pointed at there marked on it; beside the dig sheet the line’s section too. */
import { nameOf, placeAlong, wayOfRun, elementOf } from '@katabasis/core';
import { ScrollView, View } from 'react-native';
import { LongSection } from '../../../drawing/LongSection';
import { useJob } from '../../../planning/useJob';
import { usePalette } from '../../../theme/theme';
import { SPACE } from '../../../theme/tokens';
import { Text } from '../../../ui/Text';
import type { Pointed } from './pointed';
import { WhereOnPlan } from './WhereOnPlan';

/** More are not named in a row: the picture says where they are. */
const NAMED = 4;

interface Props {
  pointed: Pointed;
  section: boolean;
}

export function PlanBeside({ pointed: { ids, spot }, section }: Props) {
  const { job, plan } = useJob();
  const { line } = usePalette();
  const run = spot && elementOf(job, 'run', spot.run);
  const way = run && wayOfRun(job, run);
  // What is pointed at may be gone by now.
  const there = [...new Set(ids)].filter((id) => job.elements.has(id));
  const more = there.length - NAMED;
  const names = there.slice(0, NAMED).map((id) => nameOf(job, id));
  const letter = run ? plan.runs[run.id]?.line : undefined;
  const head = plan.lines.find((each) => each.letter === letter)?.runs[0];
  return (
    <ScrollView
      style={{ flexGrow: 0, width: 380, borderLeftWidth: 1, borderLeftColor: line }}
      contentContainerStyle={{ padding: SPACE.l, gap: SPACE.l }}
      testID="plan-beside"
    >
      <WhereOnPlan ids={there} spot={way && spot ? placeAlong(way, spot.along) : null} always />
      <Text tone={there.length > 0 ? 'ink' : 'soft'}>
        {there.length === 0
          ? 'Point at a line of the list: what it is for is marked here.'
          : `${names.join(', ')}${more > 0 ? ` and ${more} more` : ''}`}
      </Text>
      {section && head !== undefined && (
        <View>
          <LongSection from={plan.runs[head]!.from} />
        </View>
      )}
    </ScrollView>
  );
}
