/** The frame of a visit that is being written down, and its fields. */
import { nameOf, type VisitTest } from '@katabasis/core';
import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { useJob } from '../../../planning/useJob';
import type { Entry } from '../../../input/entry';
import { QuantityField } from '../../../input/Field';
import { TextBox } from '../../../input/TextBox';
import { SPACE } from '../../../theme/tokens';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Text } from '../../../ui/Text';
import type { Drafted } from './draft';

/** The frame of all: what is measured, words, and what takes it. `test` is null while something is missing. */
export function Written({
  drafted,
  test,
  lacks,
  children,
}: {
  drafted: Drafted;
  test: VisitTest | null;
  lacks: string;
  children: ReactNode;
}) {
  const [wrong, setWrong] = useState<string | null>(null);
  const { draft, set, take } = drafted;
  return (
    <View style={{ gap: SPACE.l, maxWidth: 700 }}>
      {children}
      <TextBox
        label="In words, as you would say it"
        text={draft.note}
        words
        lines={2}
        onText={(note) => set({ note })}
        testID="visit-note"
      />
      <View style={{ flexDirection: 'row' }}>
        <Button
          label="Keep it"
          kind="main"
          onPress={() => setWrong(test === null ? lacks : take(test))}
          testID="keep-visit"
        />
      </View>
      {wrong !== null && (
        <Text tone="stop" role="alert">
          {wrong}
        </Text>
      )}
    </View>
  );
}

/** A field of the draft. */
export function Figure({
  drafted,
  name,
  label,
  entry,
  usual,
  testID,
}: {
  drafted: Drafted;
  name: string;
  label: string;
  entry: Entry;
  usual?: string;
  testID?: string;
}) {
  return (
    <QuantityField
      label={label}
      value={drafted.draft.figures[name]}
      {...entry}
      optional
      {...(usual === undefined ? {} : { usual })}
      {...(testID === undefined ? {} : { testID })}
      onCommit={(value) => drafted.figure(name, value)}
    />
  );
}

/** Which of a job's pipes. */
export function RunChoice({ drafted }: { drafted: Drafted }) {
  const { job, plan } = useJob();
  return (
    <Choice
      label="Pipe"
      value={drafted.draft.of ?? null}
      options={Object.keys(plan.runs).map((id) => ({ value: id, label: nameOf(job, id) }))}
      onChoose={(of) => drafted.set({ of })}
    />
  );
}
