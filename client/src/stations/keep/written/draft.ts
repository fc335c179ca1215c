/** A visit as it is being written down, kept on the device until it is taken. */
import { freshId, type Visit, type VisitTest } from '@katabasis/core';
import { keepVisit } from '@katabasis/core/visits';
import { z } from 'zod';
import { useJob } from '../../../planning/useJob';
import { useNoted } from '../../../input/useNoted';
import { useGo } from '../../useGo';

const schema = z.object({
  /** What it is of: by id, or the soil of jars in words. */
  of: z.string().optional(),
  /** SI figures by what they are of. */
  figures: z.record(z.string(), z.number()),
  ticks: z.array(z.string()),
  /** What was met or read in turn. */
  list: z.array(z.object({ figure: z.number(), word: z.string().optional() })),
  note: z.string(),
});
export type Draft = z.infer<typeof schema>;
const EMPTY: Draft = { figures: {}, ticks: [], list: [], note: '' };

export interface Drafted {
  draft: Draft;
  set: (next: Partial<Draft>) => void;
  /** Sets one figure, or takes it out; never refuses. */
  figure: (name: string, value: number | undefined) => null;
  /** Keeps the visit and opens it; gives a sentence where it could not be kept. */
  take: (test: VisitTest) => string | null;
}

export function useDraft(type: VisitTest['type']): Drafted {
  const { job, plan, edit } = useJob();
  const go = useGo();
  const [draft, note] = useNoted(`katabasis.visit.${job.id}.${type}`, schema, EMPTY);
  const set = (next: Partial<Draft>): void => note((now) => ({ ...now, ...next }));
  return {
    draft,
    set,
    figure: (name, value) => {
      note((now) => {
        const { [name]: _before, ...others } = now.figures;
        return { ...now, figures: value === undefined ? others : { ...others, [name]: value } };
      });
      return null;
    },
    take: (test) => {
      const words = draft.note.trim();
      const visit: Visit = {
        id: freshId('visit'),
        kind: 'visit',
        at: new Date().toISOString(),
        ...(words === '' ? {} : { note: words }),
        test,
      };
      const refused = edit(keepVisit(job, plan, visit));
      if (refused !== null) return refused;
      note(() => EMPTY);
      go('keep', `~visit-${visit.id}`);
      return null;
    },
  };
}
