/** Which elements name which, read off the kinds' own entries. */
import { kindOf, type Element, type Feed } from './kinds';
import type { Link } from './kinds/kind';

export interface Reference {
  /** Path within the element: `feeds[0].to`, `from`. */
  path: string;
  /** Id that it names. */
  to: string;
  link: Link;
}

/** A link's own field, as lists or ids are kept in it. */
const fieldOf = (element: Element, link: Link): unknown => (element as unknown as Record<string, unknown>)[link.field];

/** Ids that an element names by one link, in order. */
export function targetsOf(element: Element, link: Link): string[] {
  const value = fieldOf(element, link);
  if (value === undefined) return [];
  return link.many ? (value as Feed[]).map((feed) => feed.to) : [value as string];
}

/** Every id that an element names, and where. */
export function referencesOf(element: Element): Reference[] {
  return (kindOf(element.kind).links ?? []).flatMap((link) =>
    targetsOf(element, link).map((to, k) => ({ path: link.many ? `${link.field}[${k}].to` : link.field, to, link })),
  );
}

/** An element without what led it to `id`; the same element when nothing did. Links that it cannot be without are left. */
export function unlinked(element: Element, id: string): Element {
  let changed: Record<string, unknown> | null = null;
  const { schema, links = [] } = kindOf(element.kind);
  for (const link of links) {
    const needed = !link.many && !schema.shape[link.field]!.safeParse(undefined).success;
    if (needed || !targetsOf(element, link).includes(id)) continue;
    changed ??= { ...element };
    if (link.many) changed[link.field] = (fieldOf(element, link) as Feed[]).filter((feed) => feed.to !== id);
    else delete changed[link.field];
  }
  return (changed ?? element) as Element;
}
