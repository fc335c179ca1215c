import { kindOf, nameOf, noteWords, ofKind } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../planning/useJob';
import { Button } from '../ui/Button';
import { TextBox } from '../input/TextBox';
import { Text } from '../ui/Text';
import { Overlay } from './Overlay';

/** Finds anything in the job by its name, and what was written down by its words. */
export function Find({ onClose, onGo }: { onClose: () => void; onGo: (id: string) => void }) {
  const { job } = useJob();
  const [typed, setTyped] = useState('');
  const wanted = typed.trim().toLowerCase();
  const found = job.elements.all
    .filter(({ kind }) => !kindOf(kind).onPaper)
    .map(({ id }) => ({ id, label: nameOf(job, id) }))
    .filter(({ id, label }) => id !== 'job' && label.toLowerCase().includes(wanted));
  // What was written down about a thing leads to it.
  const written = ofKind(job, 'note')
    .filter(({ text }) => wanted !== '' && text.toLowerCase().includes(wanted))
    .map((note) => ({ id: note.of && job.elements.has(note.of) ? note.of : 'job', label: noteWords(job, note) }));
  const all = [...found, ...written].slice(0, 40);
  return (
    <Overlay title="Find" onClose={onClose}>
      <TextBox
        label="Name, or words of a note"
        words
        text={typed}
        onText={setTyped}
        autoFocus
        onSubmit={() => all[0] && onGo(all[0].id)}
      />
      <View style={{ gap: 4, alignItems: 'flex-start' }}>
        {all.map(({ id, label }) => (
          <Button key={`${id} ${label}`} kind="bare" label={label} onPress={() => onGo(id)} />
        ))}
        {all.length === 0 && <Text>Nothing here is called that, and no note says it.</Text>}
      </View>
    </Overlay>
  );
}
