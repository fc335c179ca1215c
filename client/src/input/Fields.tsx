/** The fields of one thing: what is typed stands apart from the value until it can be taken. */
import { createContext, use, type ReactNode } from 'react';
import { FormProvider, useForm, useFormContext } from 'react-hook-form';

/** Text by field; undefined where nothing is being typed. */
export type Typed = Record<string, string | undefined>;

const Of = createContext<string | null>(null);

/** Around the fields of one thing. `of` names it among all things, for what is typed there and not yet taken; null for what is not kept. */
export function Fields({ of, children }: { of: string | null; children: ReactNode }) {
  const form = useForm<Typed>();
  return (
    <FormProvider {...form}>
      <Of value={of}>{children}</Of>
    </FormProvider>
  );
}

/** A field that stands alone is a form of its own. */
export const InForm = ({ children }: { children: ReactNode }) =>
  useFormContext() === null ? <Fields of={null}>{children}</Fields> : children;

/** Name of what the fields around are of; null where they are of nothing that is kept. */
export const useFieldsOf = (): string | null => use(Of);
