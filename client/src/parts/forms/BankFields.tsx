/** The last stretch before daylight over which the ground drops away, and the pipe may come out. */
import { put, showLength, text, type Discharge } from '@katabasis/core';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { lengthEntry, levelEntry } from '../../input/entry';
import { without } from '../../input/without';

export function BankFields({ discharge }: { discharge: Discharge }) {
  const { edit, units, plan } = useJob();
  const { bank } = discharge;
  const save = (next: Discharge['bank']): string | null =>
    edit(put('Say where the ground drops away', without(discharge, 'bank', next)));
  // Until its top is measured it is taken as low as where the pipe comes out, so that nothing is counted on.
  const top = bank?.topLevel ?? discharge.groundLevel;
  return (
    <>
      <QuantityField
        label="Length of the bank down to it"
        usual={`${text(showLength(plan.settings.outcrop, units))} may come out`}
        value={bank?.length}
        {...lengthEntry(units)}
        optional
        hint="Along the trench, from its top edge to the pipe’s end"
        onCommit={(length) => save(length === undefined ? undefined : { length, topLevel: top })}
      />
      {bank && (
        <QuantityField
          label="Ground at the top of the bank"
          value={bank.topLevel}
          {...levelEntry(units)}
          onCommit={(topLevel) => save({ ...bank, topLevel: topLevel! })}
        />
      )}
    </>
  );
}
