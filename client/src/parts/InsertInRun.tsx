import {
  CREATIONS,
  freeName,
  freshId,
  groundAlong,
  kindOf,
  lengthFitsSplit,
  splitRun,
  wayOfRun,
  type Landing,
  type Run,
} from '@katabasis/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useJob } from '../planning/useJob';
import { Choice } from '../ui/Choice';
import { distanceEntry } from '../input/entry';
import { QuantityField } from '../input/Field';
import { footRow } from '../ui/rows';

/** What a run can be split at: fittings first, then inlets. */
const FORMS = CREATIONS.filter(({ inRun }) => inRun !== undefined)
  .sort((a, b) => Number(b.kind === 'junction') - Number(a.kind === 'junction'))
  .map((creation) => ({ value: creation.stem, label: creation.inRun!, creation }));

/** Puts a landing into a run, at a distance from its upper end; half way until told otherwise. */
export function InsertInRun({ run, onGo }: { run: Run; onGo: (id: string) => void }) {
  const { job, plan, edit, units } = useJob();
  const [at, setAt] = useState<number | null>(null);
  const distance = Math.min(at ?? run.length / 2, run.length);
  const insert = (stem: string): void => {
    const { creation } = FORMS.find(({ value }) => value === stem)!;
    const planned = plan.runs[run.id];
    const groundLevel = planned ? groundAlong(planned, distance) : 0;
    const id = freshId(kindOf(creation.kind).idStem);
    const landing = creation.build({ id, name: freeName(job, stem), groundLevel }) as Landing;
    if (edit(splitRun(run, landing, freshId('run'), distance, wayOfRun(job, run))) === null) onGo(id);
  };
  return (
    <View style={footRow}>
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
      <Choice label="Put in" hideLabel value={null} options={FORMS} onChoose={insert} />
    </View>
  );
}
