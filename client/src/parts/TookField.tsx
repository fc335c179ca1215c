/** Hours that the crew took for a step in the end. */
import { settleStep, type WorkStep } from '@katabasis/core';
import { hoursEntry } from '../input/entry';
import { QuantityField } from '../input/Field';
import { Fields } from '../input/Fields';
import { useJob } from '../planning/useJob';

const MOST = 1000;

export function TookField({ step }: { step: WorkStep }) {
  const { job, edit } = useJob();
  return (
    <Fields of={`took ${step.key}`}>
      <QuantityField
        label="Hours it took"
        value={step.settled?.took}
        {...hoursEntry}
        optional
        usual={`planned ${step.hours} h`}
        onCommit={(took) =>
          took === undefined || (took > 0 && took <= MOST)
            ? edit(settleStep(job, step.key, { took }))
            : 'A step takes more than 0 and at most 1000 hours.'
        }
        testID={`took-${step.key}`}
      />
    </Fields>
  );
}
