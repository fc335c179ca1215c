/** The last stretch before daylight over which the ground drops away, and the pipe may come out. */
import { put, showLength, showLevel, text, type Discharge } from '@katabasis/core';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import { lengthEntry, levelEntry } from '../../input/entry';
import { without } from '../../input/without';

export function BankFields({ discharge }: { discharge: Discharge }) {
  const { edit, units, plan } = useJob();
  const { bank } = discharge;
  const save = (next: Discharge['bank']): string | null =>
    edit(put('Say where the ground drops away', without(discharge, 'bank', next)));
  const arriving = Object.values(plan.runs).find((run) => run.to === discharge.id);
  const open = text(showLength(arriving?.comesOutOver ?? plan.settings.outcrop, units));
  const topLevel = arriving && text(showLevel(arriving.coveredGround, units));
  return (
    <>
      <QuantityField
        label="Length of its bank"
        usual={arriving?.bankAssumed ? `${open} assumed` : open}
        value={bank?.length}
        {...lengthEntry(units)}
        optional
        hint={`Along the trench, from its top edge${
          arriving?.bankAssumed ? `, taken at ${topLevel} until it is measured,` : ''
        } to the pipe’s end`}
        onCommit={(length) => save(length === undefined ? undefined : { ...bank, length })}
      />
      {bank && (
        <QuantityField
          label="Ground at the top of the bank"
          usual={arriving?.bankAssumed ? `${topLevel} assumed` : 'as levelled'}
          value={bank.topLevel}
          {...levelEntry(units)}
          optional
          onCommit={(top) => save(top === undefined ? { length: bank.length } : { ...bank, topLevel: top })}
        />
      )}
    </>
  );
}
