import { kindOf, nameOf } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../planning/useJob';
import { Button } from '../ui/Button';
import { TextBox } from '../input/TextBox';
import { Text } from '../ui/Text';
import { Overlay } from './Overlay';

/** Finds anything in the job by its name. */
export function Find({ onClose, onGo }: { onClose: () => void; onGo: (id: string) => void }) {
  const { job } = useJob();
  const [typed, setTyped] = useState('');
  const wanted = typed.trim().toLowerCase();
  const found = job.elements.all
    .filter(({ kind }) => !kindOf(kind).onPaper)
    .map(({ id }) => id)
    .filter((id) => id !== 'job' && nameOf(job, id).toLowerCase().includes(wanted))
    .slice(0, 40);
  return (
    <Overlay title="Find" onClose={onClose}>
      <TextBox
        label="Name"
        words
        text={typed}
        onText={setTyped}
        autoFocus
        onSubmit={() => found[0] && onGo(found[0])}
      />
      <View style={{ gap: 4, alignItems: 'flex-start' }}>
        {found.map((id) => (
          <Button key={id} kind="bare" label={nameOf(job, id)} onPress={() => onGo(id)} />
        ))}
        {found.length === 0 && <Text>Nothing here is called that.</Text>}
      </View>
    </Overlay>
  );
}
