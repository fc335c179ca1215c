/** What was typed and has not been taken yet, kept on the device until it is: closing a sheet or a page, or turning the phone, loses none of it. */
import { z } from 'zod';
import { note, noted } from './notes';

const KEY = 'katabasis.typed';
/** Fields remembered at most; the oldest are forgotten first. */
const MOST = 200;

const keptSchema = z.array(z.tuple([z.string(), z.string()]));

let typed: Map<string, string> | null = null;
const all = (): Map<string, string> => (typed ??= new Map(noted(KEY, keptSchema)));

/** What was typed into a field and was not taken; undefined where there is none. */
export const unfinishedIn = (field: string): string | undefined => all().get(field);

/** Remembers what was typed into a field; null forgets it. */
export function keepUnfinished(field: string, text: string | null): void {
  if (text === null) {
    if (!all().delete(field)) return;
  } else all().set(field, text);
  const kept = [...all()].slice(-MOST);
  note(KEY, kept.length === 0 ? null : kept);
}
