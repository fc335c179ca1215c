/** The sheet of any element: what it does, its own form, where its water goes on to, and its snags. */
import { anotherLike, isLanding, kindOf, nameOf, removal, type Element } from '@katabasis/core';
import Trash from 'lucide-react-native/icons/trash';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { deferred } from '../pace/deferred';
import { useJob } from '../planning/useJob';
import { Fields } from '../input/Fields';
import { Notes } from '../parts/written/Notes';
import { OnThePlan } from '../parts/OnThePlan';
import { PipeFromHere } from '../parts/PipeFromHere';
import { SnagsAt } from '../parts/SnagItem';
import { WasHere } from '../parts/WasHere';
import { SPACE } from '../theme/tokens';
import { Button } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import { viewOf } from './index';
import { RainForm } from './rain';

interface Props {
  id: string;
  onClose: () => void;
  onGo: (id: string) => void;
  /** What the station that it is opened in says of it, above all else. */
  above?: ReactNode;
}

/** The sheet of an element by its id. */
export const ElementSheet = deferred(function ElementSheet({ id, onClose, onGo, above }: Props) {
  const { job } = useJob();
  const element = job.elements.get(id);
  if (element)
    return (
      <Fields key={id} of={`${job.id} ${id}`}>
        <SheetOf element={element} onClose={onClose} onGo={onGo} above={above} />
      </Fields>
    );
  // A job has no rain until one is chosen.
  if (id !== 'rain') return null;
  return (
    <Sheet title="Design rain" onClose={onClose}>
      <Fields of={`${job.id} rain`}>
        <RainForm />
      </Fields>
    </Sheet>
  );
});

function SheetOf({ element, onClose, onGo, above }: Omit<Props, 'id'> & { element: Element }) {
  const { job, edit } = useJob();
  const { Form, Panel, ownSheet, title } = viewOf(element);
  const form = <Form element={element} onGo={onGo} onClose={onClose} />;
  if (ownSheet) return form;
  if (title)
    return (
      <Sheet title={title} onClose={onClose}>
        {form}
      </Sheet>
    );
  const name = nameOf(job, element.id);
  const another = (): void => {
    if (element.kind !== 'downspout') return;
    const { change, id } = anotherLike(job, element);
    if (edit(change) === null) onGo(id);
  };
  const remove = (): void => {
    edit(removal(job, element.id));
    onClose();
  };
  return (
    <Sheet title={name} over={kindOf(element.kind).label} onClose={onClose}>
      {above}
      {Panel && <Panel element={element} />}
      {form}
      <WasHere element={element} />
      <OnThePlan element={element} onGo={onGo} />
      {isLanding(element) && <PipeFromHere id={element.id} onGo={onGo} />}
      <SnagsAt id={element.id} />
      <Notes of={element.id} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {element.kind === 'downspout' && (
          <Button label="Another like it, with its roof" onPress={another} testID="another-like-it" />
        )}
        <Button label={`Take out ${name}`} icon={Trash} kind="bare" onPress={remove} />
      </View>
    </Sheet>
  );
}
