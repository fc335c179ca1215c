/** Whether a pipe takes ground water in, whether it was here before, and what joins it to the pipe above. */
import { GUESSES, jointWords, OLD_FATES, OLD_STATES, put, type Run } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { without } from '../../input/without';
import { SPACE } from '../../theme/tokens';
import { Choice } from '../../ui/Choice';
import { Text } from '../../ui/Text';
import { Ticks } from '../../ui/Ticks';
import { TestPits } from './TestPits';

const FATES: Record<(typeof OLD_FATES)[number], string> = {
  kept: 'Old, kept',
  cutOff: 'Old, cut off',
  takenOut: 'Old, taken out',
};
const STATES: Record<(typeof OLD_STATES)[number], string> = {
  sound: 'Sound',
  silted: 'Silted',
  roots: 'Roots in it',
  broken: 'Broken',
};

const GUESS_LABELS: Record<(typeof GUESSES)[number], string> = { size: 'Its size', material: 'What it is made of' };

export function PipeWall({ run }: { run: Run }) {
  const { job, plan, edit } = useJob();
  const planned = plan.runs[run.id];
  const { old } = run;
  const [wrong, setWrong] = useState<string | null>(null);
  const setOld = (next: Run['old']): void => setWrong(edit(put('Say what becomes of it', without(run, 'old', next))));
  return (
    <View style={{ gap: SPACE.m }}>
      <Choice
        label="Its wall"
        value={run.perforated ? 'perforated' : 'solid'}
        options={[
          { value: 'solid', label: 'Solid' },
          { value: 'perforated', label: 'Perforated', note: 'takes ground water in' },
        ]}
        onChoose={(wall) =>
          void edit(put('Say how its wall is', without(run, 'perforated', wall === 'perforated' ? true : undefined)))
        }
      />
      <Choice
        label="Was it here before"
        value={old?.fate ?? 'new'}
        options={[{ value: 'new', label: 'New' }, ...OLD_FATES.map((value) => ({ value, label: FATES[value] }))]}
        onChoose={(fate) => setOld(fate === 'new' ? undefined : { ...old, fate })}
      />
      {wrong !== null && (
        <Text tone="stop" role="alert">
          {wrong}
        </Text>
      )}
      {old && (
        <Choice
          label="State it is in"
          value={old.state ?? null}
          options={OLD_STATES.map((value) => ({ value, label: STATES[value] }))}
          onChoose={(state) => setOld({ ...old, state })}
        />
      )}
      {old?.fate === 'kept' && (
        <Ticks
          label="No more than guessed"
          options={GUESSES.map((value) => ({ value, label: GUESS_LABELS[value], testID: `guessed-${value}` }))}
          ticked={old.guessed ?? []}
          onToggle={(guess) => {
            const before = old.guessed ?? [];
            const next = before.includes(guess) ? before.filter((each) => each !== guess) : [...before, guess];
            setOld(without(old, 'guessed', next.length > 0 ? next : undefined));
          }}
        />
      )}
      {old?.fate === 'kept' && planned && <TestPits run={run} planned={planned} />}
      {jointWords(job, run).map((words) => (
        <Text key={words} kind="small">
          {words}
        </Text>
      ))}
    </View>
  );
}
