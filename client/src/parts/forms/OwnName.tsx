/** The name of a thing that is no landing. */
import { ownName, put, type Element } from '@katabasis/core';
import { useJob } from '../../planning/useJob';
import { NameField } from '../../input/Field';

/** What is called by a name of its own; a job's head has its form. */
export type Named = Exclude<Extract<Element, { name: string }>, { kind: 'job' }>;

export function OwnName({ element }: { element: Named }) {
  const { job, edit } = useJob();
  return (
    <NameField
      label="Name"
      value={element.name}
      onCommit={(name) => edit(put('Name it', { ...element, name: ownName(job, element.id, name) }))}
    />
  );
}
