import { freeName, lengthFitsSplit, splitRun, type Landing, type Run } from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { newId } from '../../data/sessions';
import { useKept } from '../../data/useJob';
import { SPACE } from '../../theme/tokens';
import { Choice } from '../../ui/Choice';
import { distanceEntry } from '../../ui/entry';
import { QuantityField } from '../../ui/Field';

const FORMS = [
  { value: 'wye', label: 'Wye' },
  { value: 'cleanout', label: 'Cleanout' },
  { value: 'bend', label: 'Bend or grade break' },
  { value: 'basin', label: 'Catch basin' },
] as const;
type Form = (typeof FORMS)[number]['value'];

const STEMS: Record<Form, string> = { wye: 'Wye', cleanout: 'Cleanout', bend: 'Bend', basin: 'Basin' };

/** Puts a landing into a run, at a distance from its upper end; half way until told otherwise. */
export function InsertInRun({ run, onGo }: { run: Run; onGo: (id: string) => void }) {
  const { job, plan, edit, units } = useKept();
  const [at, setAt] = useState<number | null>(null);
  const distance = Math.min(at ?? run.length / 2, run.length);
  const insert = (form: Form): void => {
    const planned = plan.runs[run.id];
    const share = distance / run.length;
    const groundLevel = planned ? planned.groundUp + (planned.groundDown - planned.groundUp) * share : 0;
    const id = newId('l');
    const base = { id, name: freeName(job, STEMS[form]), groundLevel };
    const landing: Landing =
      form === 'basin' ? { ...base, kind: 'basin', grate: 'flat12' } : { ...base, kind: 'junction', form };
    if (edit(splitRun(run, landing, newId('r'), distance)) === null) onGo(id);
  };
  return (
    <View style={{ flexDirection: 'row', gap: SPACE.m, flexWrap: 'wrap', alignItems: 'flex-end' }}>
      <QuantityField
        label="Put in, this far down"
        value={distance}
        {...distanceEntry(units)}
        onCommit={(value) => {
          if (!lengthFitsSplit(run, value!)) return 'It must lie between the two ends.';
          setAt(value!);
          return null;
        }}
      />
      <Choice label="Put in" hideLabel value={null as Form | null} options={FORMS} onChoose={insert} />
    </View>
  );
}
