/** What is on the end of a line, and the swale that it lets out into. */
import { ofKind, OUTFALLS, put, type Discharge } from '@katabasis/core';
import { useJob } from '../../planning/useJob';
import { without } from '../../input/without';
import { Choice } from '../../ui/Choice';

const NONE = '';

export function EndOfLine({ discharge }: { discharge: Discharge }) {
  const { job, edit } = useJob();
  const swales = ofKind(job, 'swale');
  const outfall = OUTFALLS[discharge.form];
  if (!outfall.opensOut) return null;
  return (
    <>
      {swales.length > 0 && (
        <Choice
          label="Lets out into"
          value={discharge.into ?? NONE}
          options={[
            ...swales.map(({ id, name }) => ({ value: id, label: name })),
            { value: NONE, label: 'No swale of this job' },
          ]}
          onChoose={(into) =>
            void edit(put('Say what it lets out into', without(discharge, 'into', into === NONE ? undefined : into)))
          }
        />
      )}
      <Choice
        label="On its end"
        value={discharge.end ?? 'open'}
        options={[
          { value: 'open', label: 'Nothing' },
          { value: 'guard', label: 'A guard', note: 'swings open' },
          { value: 'grate', label: 'A grate', note: 'leaves plug it from inside' },
        ]}
        onChoose={(end) => void edit(put('Say what is on its end', { ...discharge, end }))}
      />
    </>
  );
}
