/** Whether a thing was here before: then it is neither bought nor dug. Only of kinds that may have been. */
import { kindOf, put, type Element } from '@katabasis/core';
import { useJob } from '../planning/useJob';
import { without } from '../input/without';
import { Choice } from '../ui/Choice';

type MayBeHere = Extract<Element, { here?: boolean | undefined }>;

const mayBeHere = (element: Element): element is MayBeHere => 'here' in kindOf(element.kind).schema.shape;

export function WasHere({ element }: { element: Element }) {
  const { edit } = useJob();
  if (!mayBeHere(element)) return null;
  return (
    <Choice
      label="Was it here before"
      value={element.here ? 'here' : 'new'}
      options={[
        { value: 'new', label: 'New' },
        { value: 'here', label: 'Here already', note: 'neither bought nor dug' },
      ]}
      onChoose={(next) =>
        edit(put('Say whether it was here', without(element, 'here', next === 'here' ? true : undefined)))
      }
    />
  );
}
