/** A picture under the plan. */
import { type Underlay } from '@katabasis/core';
import { OwnName } from '../parts/OwnName';
import { Text } from '../ui/Text';
import type { ElementView } from './view';

function Form({ element }: { element: Underlay }) {
  return (
    <>
      <OwnName element={element} />
      <Text>It lies under the ground plan, to the scale of its two spots.</Text>
    </>
  );
}

export const underlayView: ElementView<Underlay> = {
  Form,
  list: { group: 'pictures', about: () => ({ about: 'under the ground plan' }) },
};
