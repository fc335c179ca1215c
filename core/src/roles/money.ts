/** What of a job is money: left out for those who see no prices, and put back where they send what they were given. */
import type { Element, ElementKind } from '../job/kinds';

type Fields = Record<string, unknown>;
/** All of a kind, or some of its fields. */
type Part = 'all' | readonly string[];

const MONEY: Partial<Record<ElementKind, Part>> = {
  outcome: 'all',
  job: ['prices'],
  note: ['amount'],
  complaint: ['cost', 'pays'],
};
/** What of the prices is about the place and not about money: how hard the ground is, and how narrow the gate. */
const OF_THE_PLACE = ['conditions', 'currency'];

/** At the end of an epoch's name: of a job as it is seen without its money. */
export const WITHOUT_MONEY = '~';

const fieldsOf = (element: Element): Fields => element as unknown as Fields;

/** An element as those see it who see no prices; null of one that is all money. */
export function withoutMoney(element: Element): Element | null {
  const part = MONEY[element.kind];
  if (part === undefined) return element;
  if (part === 'all') return null;
  const seen: Fields = { ...element };
  for (const field of part) {
    const { [field]: value } = seen;
    if (value === undefined) continue;
    delete seen[field];
    if (field !== 'prices') continue;
    const place = Object.entries(value as Fields).filter(([name]) => OF_THE_PLACE.includes(name));
    if (place.length > 0) seen[field] = Object.fromEntries(place);
  }
  return seen as unknown as Element;
}

/** What somebody sends who sees no prices, with the money that it had: he can neither lose nor set what he does not see. */
export function withItsMoney(sent: Element, before: Element | undefined): Element {
  const part = MONEY[sent.kind];
  if (part === undefined || part === 'all') return sent;
  const kept: Fields = { ...sent };
  for (const field of part) {
    delete kept[field];
    const had = before?.kind === sent.kind ? fieldsOf(before)[field] : undefined;
    if (had !== undefined) kept[field] = had;
  }
  return kept as unknown as Element;
}
