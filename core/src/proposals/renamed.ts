/** Elements under other ids, with all that names them. */
import { kindOf, type Element, type Feed } from '../job/kinds';

/** Some elements with every id that `ids` has another for replaced, their own and those that they name. */
export const renamed = (elements: readonly Element[], ids: ReadonlyMap<string, string>): Element[] =>
  elements.map((element) => {
    const next: Record<string, unknown> = { ...element, id: ids.get(element.id) ?? element.id };
    for (const { field, many } of kindOf(element.kind).links ?? []) {
      const value = next[field];
      if (value === undefined) continue;
      next[field] = many
        ? (value as Feed[]).map((feed) => ({ ...feed, to: ids.get(feed.to) ?? feed.to }))
        : (ids.get(value as string) ?? value);
    }
    return next as unknown as Element;
  });
