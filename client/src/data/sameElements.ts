import type { Job } from '@katabasis/core';

/** Whether two jobs hold the same elements in the same order. */
export function sameElements(a: Job, b: Job): boolean {
  return (
    a.elements.size === b.elements.size &&
    a.elements.all.every((element, k) => {
      const other = b.elements.all[k]!;
      return element === other || JSON.stringify(element) === JSON.stringify(other);
    })
  );
}
