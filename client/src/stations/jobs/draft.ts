/** What is typed on the new-job page, as text, kept from keystroke to keystroke so that a closed tab loses nothing. */
import { z } from 'zod';

const rowSchema = z.object({ area: z.string(), ground: z.string(), toNext: z.string() });
const draftSchema = z.object({
  name: z.string(),
  units: z.enum(['us', 'metric']),
  station: z.string(),
  rain: z.string(),
  rows: z.array(rowSchema).min(1).max(200),
  form: z.enum(['daylight', 'popup']),
  receiving: z.enum(['swale', 'slope', 'ditch', 'street', 'lawn']),
  outLevel: z.string(),
});
export type DraftRow = z.infer<typeof rowSchema>;
export type Draft = z.infer<typeof draftSchema>;

const KEY = 'katabasis.new';

export const emptyRow = (): DraftRow => ({ area: '', ground: '', toNext: '' });
export const emptyDraft = (): Draft => ({
  name: '',
  units: 'us',
  station: 'harrowmere',
  rain: '',
  rows: [emptyRow(), emptyRow(), emptyRow()],
  form: 'daylight',
  receiving: 'swale',
  outLevel: '',
});

export function keptDraft(): Draft {
  const kept = localStorage.getItem(KEY);
  if (kept === null) return emptyDraft();
  try {
    return draftSchema.parse(JSON.parse(kept));
  } catch {
    return emptyDraft();
  }
}

/** Keeps a draft; null forgets it. */
export function keepDraft(draft: Draft | null): void {
  if (draft === null) localStorage.removeItem(KEY);
  else localStorage.setItem(KEY, JSON.stringify(draft));
}
