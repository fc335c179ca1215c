/** Hours that the crew took for a step in the end. */
import { settleStep, type WorkStep } from '@katabasis/core';
import { hoursEntry } from '../../input/entry';
import { QuantityField } from '../../input/Field';
import { Fields } from '../../input/Fields';
import { useJob } from '../../planning/useJob';

const MOST = 1000;
/** A quarter of an hour is how it is written down. */
const took = { ...hoursEntry, show: (hours: number) => `${Number(hours.toFixed(2))}\u00a0h` };

export function TookField({ step }: { step: WorkStep }) {
  const { job, edit } = useJob();
  return (
    <Fields of={`took ${step.key}`}>
      <QuantityField
        label="Hours it took"
        value={step.settled?.took}
        {...took}
        optional
        usual="not said"
        hint={`Planned ${step.hours}\u00a0h`}
        onCommit={(hours) =>
          hours === undefined || (hours > 0 && hours <= MOST)
            ? edit(settleStep(job, step.key, { took: hours }))
            : 'A step takes more than 0 and at most 1000 hours.'
        }
        testID={`took-${step.key}`}
      />
    </Fields>
  );
}
