/** How an old pipe was found: test pits dug to it, and how it may fall where they do not say. */
import {
  groundAlong,
  put,
  showLength,
  showPitch,
  showSmall,
  text,
  unknownFall,
  type Run,
  type RunPlan,
} from '@katabasis/core';
import Trash from 'lucide-react-native/icons/trash';
import { useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { lengthEntry, pitchUpTo, smallEntry } from '../../input/entry';
import { QuantityField } from '../../input/Field';
import { useNoted } from '../../input/useNoted';
import { useJob } from '../../planning/useJob';
import { SPACE } from '../../theme/tokens';
import { Button } from '../../ui/Button';
import { footRow } from '../../ui/rows';
import { Text } from '../../ui/Text';

type Old = NonNullable<Run['old']>;

const begunSchema = z.object({ along: z.number().optional(), deep: z.number().optional() });
const NOT_BEGUN: z.infer<typeof begunSchema> = {};
const fallEntry = pitchUpTo(1, 'A fall is', true);

interface Props {
  run: Run;
  planned: RunPlan;
}

export function TestPits({ run, planned }: Props) {
  const { edit, units } = useJob();
  const old = run.old!;
  const pits = old.pits ?? [];
  const save = (label: string, next: Old): string | null => edit(put(label, { ...run, old: next }));
  return (
    <View style={{ gap: SPACE.s }}>
      <Text kind="heading">Test pits</Text>
      {pits.map(({ along, level }, k) => (
        <View key={`${along} ${level}`} style={{ flexDirection: 'row', alignItems: 'center', flexWrap: 'wrap' }}>
          <Text style={{ flexShrink: 1 }}>
            {text(showLength(along, units))} down it its bottom lies{' '}
            {text(showSmall(groundAlong(planned, along) - level, units))} deep.
          </Text>
          <Button
            label="Take this pit out"
            icon={Trash}
            kind="bare"
            onPress={() =>
              void save('Take a test pit out', {
                ...old,
                pits: pits.filter((_, other) => other !== k),
              })
            }
          />
        </View>
      ))}
      <NewPit
        run={run}
        planned={planned}
        onAdd={(pit) =>
          save('Write down a test pit', { ...old, pits: [...pits, pit].sort((a, b) => a.along - b.along) })
        }
      />
      <HowItFalls run={run} onSave={save} />
    </View>
  );
}

/** One more pit: how far down the pipe, and how deep its bottom lies there. */
function NewPit({ run, planned, onAdd }: Props & { onAdd: (pit: { along: number; level: number }) => string | null }) {
  const { job, units } = useJob();
  const [{ along, deep }, note] = useNoted(`katabasis.pit.${job.id} ${run.id}`, begunSchema, NOT_BEGUN);
  const [said, setSaid] = useState<string | null>(null);
  const add = (): void => {
    if (along === undefined || deep === undefined)
      return setSaid('Say how far down the pipe, and how deep its bottom is.');
    if (along > run.length) return setSaid(`The pipe is ${text(showLength(run.length, units))} long.`);
    const refused = onAdd({ along, level: groundAlong(planned, along) - deep });
    setSaid(refused);
    if (refused === null) note(() => NOT_BEGUN);
  };
  return (
    <>
      <View style={footRow}>
        <QuantityField
          label="How far down it"
          value={along}
          {...lengthEntry(units)}
          optional
          usual="from its head"
          onCommit={(next) => (note((before) => ({ ...before, along: next })), null)}
        />
        <QuantityField
          label="Ground to its bottom"
          value={deep}
          {...smallEntry(units, 0.05, 10, 'A pipe lies')}
          optional
          usual="not measured"
          onCommit={(next) => (note((before) => ({ ...before, deep: next })), null)}
        />
      </View>
      {said !== null && (
        <Text tone="stop" role="alert">
          {said}
        </Text>
      )}
      <View style={{ flexDirection: 'row' }}>
        <Button label="Write this pit down" onPress={add} />
      </View>
    </>
  );
}

/** Falls that it may have, while nobody knows. */
function HowItFalls({ run, onSave }: { run: Run; onSave: (label: string, old: Old) => string | null }) {
  const falls = unknownFall(run);
  if (!falls) return null;
  const old = run.old!;
  const set = (next: Partial<typeof falls>): string | null => {
    const both = { ...falls, ...next };
    return both.most < both.least
      ? `It falls ${text(showPitch(both.least))} at least: at most is that or more.`
      : onSave('Say how it may fall', { ...old, fall: both });
  };
  return (
    <>
      <Text kind="small">
        Two pits, or its levels at both ends, say how it falls. Until then it is judged both ways:
      </Text>
      <View style={footRow}>
        <QuantityField
          label="Falls at least"
          value={falls.least}
          {...fallEntry}
          onCommit={(least) => set({ least: least! })}
        />
        <QuantityField
          label="and at most"
          value={falls.most}
          {...fallEntry}
          onCommit={(most) => set({ most: most! })}
        />
      </View>
    </>
  );
}
