/** A culvert that lies askew beside one straight across: what each takes, how it falls, and what it costs. */
import { money, pricesOf, put, straightAcross, type Culvert } from '@katabasis/core';
import { View } from 'react-native';
import { lengthEntry, levelEntry } from '../../input/entry';
import { QuantityField } from '../../input/Field';
import { without } from '../../input/without';
import { useJob } from '../../planning/useJob';
import { useTries } from '../../planning/useTries';
import { fieldRow } from '../../ui/rows';
import { Text } from '../../ui/Text';

export function StraightAcross({ element: culvert }: { element: Culvert }) {
  const { job, edit, units } = useJob();
  const { straight } = culvert;
  const instead = straightAcross(culvert);
  const choices = instead ? [culvert, instead] : [];
  const tries = useTries<Culvert>(job, choices, (choice) => put('Compare it', choice), straight);
  const [askew, across] = tries;
  const dearer = askew && across ? askew.asked - across.asked : null;
  const set = (next: Partial<NonNullable<Culvert['straight']>>): string | null => {
    const whole = { length: culvert.length ?? 6, invertDown: culvert.invertDown, ...straight, ...next };
    return edit(put('Say how it would lie straight across', { ...culvert, straight: whole }));
  };
  return (
    <>
      <View style={fieldRow}>
        <QuantityField
          label="Straight across it would be"
          usual="not compared"
          value={straight?.length}
          {...lengthEntry(units)}
          optional
          onCommit={(length) =>
            length === undefined
              ? edit(put('Compare no more', without(culvert, 'straight', undefined)))
              : set({ length })
          }
        />
        {straight && (
          <QuantityField
            label="and come out at"
            value={straight.invertDown}
            {...levelEntry(units)}
            onCommit={(invertDown) => set({ invertDown: invertDown! })}
          />
        )}
      </View>
      {dearer !== null && (
        <Text>
          {Math.abs(dearer) < 1
            ? 'Both cost the same.'
            : `Askew costs ${money(Math.abs(dearer), pricesOf(job).currency)} ${dearer > 0 ? 'more' : 'less'} than straight across.`}
        </Text>
      )}
    </>
  );
}
