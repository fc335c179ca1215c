/** What is said of a house as it is paced out. */
import { showLength, showSmall, text } from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../../planning/useJob';
import { SPACE } from '../../../theme/tokens';
import { Text } from '../../../ui/Text';
import type { PaceDraft } from '../doing';
import type { paced } from './pacing';

/** Whether the walk comes back to where it began, and which wall is most likely wrong where it does not. */
export function Closing({ walk }: { walk: ReturnType<typeof paced> }) {
  const { units } = useJob();
  return (
    <View style={{ gap: SPACE.xs }} aria-live="polite">
      {walk.closes ? (
        <Text kind="strong">
          Closes within {text(showSmall(walk.misclosure, units))}; {text(showSmall(walk.permitted, units))} is
          permitted. It is shared out by length.
        </Text>
      ) : (
        <>
          <Text>
            Ends {text(showLength(walk.misclosure, units))} from where it began;{' '}
            {text(showSmall(walk.permitted, units))} is permitted.
          </Text>
          {walk.suspects.slice(0, 2).map(({ side, by: off, open }) =>
            open <= walk.permitted ? (
              <Text key={side}>
                If no wall is missing, wall {side + 1} is most likely {text(showLength(Math.abs(off), units))}{' '}
                {off > 0 ? 'longer' : 'shorter'}.
              </Text>
            ) : null,
          )}
        </>
      )}
    </View>
  );
}

/** The walls as they were walked. */
export function Walked({ walls }: { walls: PaceDraft['walls'] }) {
  const { units } = useJob();
  if (walls.length === 0) return null;
  return (
    <Text kind="small">
      {walls
        .map(
          ({ length, turn }, k) => `${k === 0 ? '' : turn > 0 ? 'right ' : 'left '}${text(showLength(length, units))}`,
        )
        .join(', ')}
    </Text>
  );
}
