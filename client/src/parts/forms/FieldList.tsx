/** A form said as a list of its fields, for things of which a field is a field: each takes its value, or says what would be right. */
import { put, type Element, type Job, type UnitSystem } from '@katabasis/core';
import { View } from 'react-native';
import { useJob } from '../../planning/useJob';
import { QuantityField } from '../../input/Field';
import type { Entry } from '../../input/entry';
import { without } from '../../input/without';
import { Choice } from '../../ui/Choice';
import { footRow } from '../../ui/rows';
import { OwnName, type Named } from './OwnName';

type Key<E> = keyof E & string;

interface Quantity<E> {
  type: 'quantity';
  field: Key<E>;
  label: string;
  entry: (units: UnitSystem) => Entry;
  /** What holds where it is left empty, in words or as a figure of its own; a field without it must be filled. */
  usual?: string | number;
  hint?: string;
}

interface Chips<E> {
  type: 'choice';
  field: Key<E>;
  label: string;
  options: readonly { value: string; label: string; note?: string }[];
  /** Chosen where nothing is said. */
  usual?: string;
}

interface Flag<E> {
  type: 'flag';
  field: Key<E>;
  label: string;
  no: string;
  yes: string;
}

/** Another thing of the job that it leads to or holds. */
interface Lead<E> {
  type: 'lead';
  field: Key<E>;
  label: string;
  none: string;
  among: (job: Job, element: E) => readonly { id: string; name: string }[];
}

export type FieldOf<E> = Quantity<E> | Chips<E> | Flag<E> | Lead<E>;

/** Of a choice that may be left: what is chosen then. */
export const NONE = '';

interface Props<E extends Element> {
  element: E;
  fields: readonly FieldOf<E>[];
}

/** Quantities stand beside one another, choices each on a row of its own, in the order in which they are listed. */
export function FieldList<E extends Named>({ element, fields }: Props<E>) {
  return (
    <>
      <View style={footRow}>
        <OwnName element={element} />
        {fields.map((field) =>
          field.type === 'quantity' ? <One key={field.field} element={element} field={field} /> : null,
        )}
      </View>
      {fields.map((field) =>
        field.type === 'quantity' ? null : <One key={field.field} element={element} field={field} />,
      )}
    </>
  );
}

function One<E extends Named>({ element, field }: { element: E; field: FieldOf<E> }) {
  const { job, edit, units } = useJob();
  const value = element[field.field];
  const set = (next: unknown): string | null =>
    edit(
      put(
        `Set ${field.label.toLowerCase()}`,
        without(element, field.field, next === NONE ? undefined : next) as Element,
      ),
    );
  switch (field.type) {
    case 'quantity': {
      const entry = field.entry(units);
      const usual = typeof field.usual === 'number' ? entry.show(field.usual) : field.usual;
      return (
        <QuantityField
          label={field.label}
          value={value as number | undefined}
          {...entry}
          {...(usual === undefined ? {} : { usual, optional: true })}
          {...(field.hint === undefined ? {} : { hint: field.hint })}
          onCommit={set}
        />
      );
    }
    case 'choice':
      return (
        <Choice
          label={field.label}
          value={(value as string | undefined) ?? field.usual ?? NONE}
          options={field.options}
          onChoose={(next) => void set(next)}
        />
      );
    case 'flag':
      return (
        <Choice
          label={field.label}
          value={value === true ? 'yes' : 'no'}
          options={[
            { value: 'no', label: field.no },
            { value: 'yes', label: field.yes },
          ]}
          onChoose={(next) => void set(next === 'yes' ? true : undefined)}
        />
      );
    case 'lead':
      return (
        <Choice
          label={field.label}
          value={(value as string | undefined) ?? NONE}
          options={[
            ...field.among(job, element).map(({ id, name }) => ({ value: id, label: name })),
            { value: NONE, label: field.none },
          ]}
          onChoose={(next) => void set(next)}
        />
      );
  }
}
