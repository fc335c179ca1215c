/** A day, typed as 2026-11-26. */
import { isValid, parseISO } from 'date-fns';
import { NameField } from '../input/Field';

interface Props {
  label: string;
  value: string | undefined;
  onCommit: (day: string | undefined) => string | null;
  testID?: string;
}

export function DayField({ label, value, onCommit, testID }: Props) {
  return (
    <NameField
      label={label}
      value={value ?? ''}
      optional
      usual="not said"
      hint="As 2026-11-26"
      {...(testID ? { testID } : {})}
      onCommit={(typed) => {
        if (typed === '') return onCommit(undefined);
        if (!/^\d{4}-\d{2}-\d{2}$/.test(typed) || !isValid(parseISO(typed))) return 'A day is written as 2026-11-26.';
        return onCommit(typed);
      }}
    />
  );
}
