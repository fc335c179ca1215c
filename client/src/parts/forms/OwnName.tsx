/** The name of a thing that is no landing. */
import { ownName, put, type Element } from '@katabasis/core';
import { useJob } from '../../planning/useJob';
import { NameField } from '../../input/Field';

export function OwnName({
  element,
}: {
  element: Exclude<Element, { kind: 'rain' | 'job' | 'run' | 'clearance' | 'step' | 'note' }>;
}) {
  const { job, edit } = useJob();
  return (
    <NameField
      label="Name"
      value={element.name}
      onCommit={(name) => edit(put('Name it', { ...element, name: ownName(job, element.id, name) }))}
    />
  );
}
