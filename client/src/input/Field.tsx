/** Fields of what is open: they show its value, take what a tradesman says, and commit when left. */
import type { Parsed } from '@katabasis/core';
import { useEffect } from 'react';
import { useController, useFormContext } from 'react-hook-form';
import type { TextInputProps } from 'react-native';
import { InForm, useFieldsOf, type Typed } from './Fields';
import { TextBox } from './TextBox';
import { keepUnfinished, unfinishedIn } from './unfinished';

interface Shared {
  label: string;
  /** What the field is called among those of its sheet; its label unless two are called the same, or one changes. */
  name?: string;
  usual?: string;
  hint?: string;
  unit?: string;
  testID?: string;
  inputMode?: TextInputProps['inputMode'];
  autoFocus?: boolean;
}

interface FieldOptions<T> {
  name: string;
  /** The value as it is shown while nothing is typed. */
  shown: string;
  /** Reads what was typed, or says what would be right. */
  read: (text: string) => Parsed<T>;
  /** Takes the value; gives a sentence when it could not. */
  commit: (value: T) => string | null;
}

interface FieldState {
  text: string;
  wrong: string | null;
  onText: (text: string) => void;
  onDone: () => void;
  ref: (box: { focus?: () => void } | null) => void;
}

/** Dots part names in the form's own keeping. */
const safe = (name: string): string => name.replaceAll(/[.[\]'"]/g, ' ');

/** One field of the form around: typed text apart from the value, what is wrong at its place, and kept until it is put right. */
function useField<T>({ name: called, shown, read, commit }: FieldOptions<T>): FieldState {
  const form = useFormContext<Typed>();
  const of = useFieldsOf();
  const name = safe(called);
  const place = of === null ? null : `${of} ${name}`;
  const { field, fieldState } = useController({ name, control: form.control, defaultValue: undefined });
  const fail = (text: string, message: string): void => {
    form.setError(name, { message });
    if (place !== null) keepUnfinished(place, text);
  };
  const settle = (): void => {
    form.setValue(name, undefined);
    form.clearErrors(name);
    if (place !== null) keepUnfinished(place, null);
  };
  // What was left here unfinished stands here again, with what is wrong with it.
  useEffect(() => {
    const left = place === null ? undefined : unfinishedIn(place);
    if (left === undefined) return;
    form.setValue(name, left);
    const parsed = read(left);
    // What can be taken was still being typed, as its page was turned or gone: there it goes on, and is taken when it is left.
    if (parsed.ok) form.setFocus(name);
    else form.setError(name, { message: parsed.sentence });
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when the field comes up
  }, [place]);
  const done = (): void => {
    // A blur and a submit arrive together; the text they judge must be the newest.
    const text = form.getValues(name);
    if (text === undefined) return;
    if (text === shown) return settle();
    const parsed = read(text);
    if (!parsed.ok) return fail(text, parsed.sentence);
    const refused = commit(parsed.value);
    if (refused) fail(text, refused);
    else settle();
  };
  return {
    text: field.value ?? shown,
    wrong: fieldState.error?.message ?? null,
    onText: (text) => {
      field.onChange(text);
      if (place !== null) keepUnfinished(place, text);
      if (fieldState.error) form.clearErrors(name);
    },
    onDone: done,
    ref: field.ref,
  };
}

interface QuantityProps<T> extends Shared {
  value: T | undefined;
  show: (value: T) => string;
  parse: (text: string) => Parsed<T>;
  beside?: ((value: T) => { parse: (text: string) => Parsed<T>; unit?: string } | null) | undefined;
  /** Takes the value, undefined for none; gives a sentence when it could not. */
  onCommit: (value: T | undefined) => string | null;
  /** Whether it may be left empty. */
  optional?: boolean;
}

/** A quantity in trade units. */
export const QuantityField = <T = number,>(props: QuantityProps<T>) => (
  <InForm>
    <Quantity {...props} />
  </InForm>
);

function Quantity<T>(props: QuantityProps<T>) {
  const { value, show, parse: asUsual, beside, onCommit, optional = false, name, ...rest } = props;
  const other = value === undefined ? null : beside?.(value);
  const parse = other?.parse ?? asUsual;
  const shown = value === undefined ? '' : show(value);
  const { ref, ...field } = useField<T | undefined>({
    name: name ?? rest.label,
    shown,
    read: (text) => {
      if (text.trim() !== '') return parse(text);
      return optional ? { ok: true, value: undefined } : { ok: false, sentence: 'This is needed.' };
    },
    commit: onCommit,
  });
  // What a bare number is taken as, before the field is left.
  const typed = field.text !== shown && field.text.trim() !== '' ? parse(field.text) : null;
  const unit = typed?.ok ? `= ${show(typed.value)}` : (other?.unit ?? rest.unit);
  return <TextBox {...rest} {...(unit === undefined ? {} : { unit })} {...field} ref={ref as never} />;
}

interface NameProps extends Shared {
  value: string;
  onCommit: (value: string) => string | null | void;
  /** Whether it may be left empty. */
  optional?: boolean;
  /** Characters at most. */
  most?: number;
  /** More than one line of text. */
  lines?: number;
}

/** A name, or words. */
export const NameField = (props: NameProps) => (
  <InForm>
    <Name {...props} />
  </InForm>
);

function Name({ value, onCommit, optional = false, most = 120, name, ...rest }: NameProps) {
  const { ref, ...field } = useField<string>({
    name: name ?? rest.label,
    shown: value,
    read: (typed) => {
      const text = typed.trim();
      if (text === '' && !optional) return { ok: false, sentence: 'Give it a name.' };
      if (text.length > most) return { ok: false, sentence: `At most ${most} characters; these are ${text.length}.` };
      return { ok: true, value: text };
    },
    commit: (text) => (text === value ? null : (onCommit(text) ?? null)),
  });
  return <TextBox {...rest} words {...field} ref={ref as never} />;
}
