/** What gives way first in a proposed plan, tried in every storm once all plans are laid out. */
import { applyChange, type Job } from '@katabasis/core';
import type { GivesWaySaid } from '@katabasis/core/simulation';
import { useMemo } from 'react';
import { View } from 'react-native';
import type { ProposalTold } from '../../../planning/proposals.worker';
import { findGivesWay } from '../../../planning/storms';
import { useJob } from '../../../planning/useJob';
import { useWorked } from '../../../planning/useWorked';
import { SPACE } from '../../../theme/tokens';
import { Mark } from '../../../ui/Mark';
import { Text } from '../../../ui/Text';

/** `wanted`: no plan is looked for any more, which would be kept waiting. */
export function InStorms({ proposal: { change }, wanted }: { proposal: ProposalTold; wanted: boolean }) {
  const { job } = useJob();
  const then: Job = useMemo(() => applyChange(job, change).job, [job, change]);
  const found = useWorked<GivesWaySaid>(
    [then],
    (signal, give) => findGivesWay(then, { signal }, give),
    wanted ? true : null,
  );
  if (!found) return null;
  const isOver = found.done === found.of;
  return (
    <View style={{ flexDirection: 'row', gap: SPACE.s, alignItems: 'flex-start' }} testID="in-storms">
      {isOver && <Mark kind={found.mark} />}
      <View style={{ flex: 1 }}>
        {isOver ? (
          <Text>{found.sentence}</Text>
        ) : (
          <Text kind="small" role="status">
            {`It is tried in the storms: ${found.done} of ${found.of}.`}
          </Text>
        )}
      </View>
    </View>
  );
}
