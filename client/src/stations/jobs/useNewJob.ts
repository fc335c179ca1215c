/** What is typed on the page of a new job, kept on the device at each key. */
import { type RainStation } from '@katabasis/core';
import { zodResolver } from '@hookform/resolvers/zod';
import { useEffect, useMemo, useState } from 'react';
import { useForm, useWatch, type Resolver, type UseFormReturn } from 'react-hook-form';
import { useStations } from '../../sync/records';
import { draftForm, keepDraft, keptDraft, type Draft } from './draft';

const NO_STATIONS: readonly RainStation[] = [];

/** What is typed on the page, kept on the device at each key, and what becomes of it. */
export interface Page {
  form: UseFormReturn<Draft>;
  draft: Draft;
  stations: readonly RainStation[];
  /** The whole page anew: what was wrong in a box is still told there. */
  become: (next: Draft) => void;
  /** Something goes: it can be taken back until the next thing goes. */
  discard: (label: string, next: Partial<Draft>) => void;
  /** What went last; null where nothing did, or it is back. */
  gone: string | null;
  bringBack: () => void;
}

export function usePage(): Page {
  const stations = useStations().data ?? NO_STATIONS;
  const [before, setBefore] = useState<{ label: string; draft: Draft } | null>(null);
  const resolver = useMemo(() => zodResolver(draftForm(stations)) as unknown as Resolver<Draft>, [stations]);
  const form = useForm<Draft>({ defaultValues: keptDraft(), mode: 'onTouched', resolver });
  const draft = useWatch({ control: form.control }) as Draft;
  useEffect(() => keepDraft(draft), [draft]);
  const become = (next: Draft): void => form.reset(next, { keepTouched: true, keepErrors: true });
  return {
    form,
    draft,
    stations,
    become,
    discard: (label, next) => {
      const now = form.getValues();
      setBefore({ label, draft: now });
      become({ ...now, ...next });
    },
    gone: before?.label ?? null,
    bringBack: () => {
      if (before) become(before.draft);
      setBefore(null);
    },
  };
}
