/** A row made place by place, of which an edit reaches few: what reads the same as it did there last is the very object that it was. */

interface Asked<R, P> {
  /** Rows remembered: of the job as it is, and of what lies under the finger. */
  remembered: number;
  /** Whether the places of one row are those of another; where they are not, nothing is looked for in it. */
  alike: (now: R, before: R) => boolean;
  /** Whether a place reads in one what it read in the other: number by number, as a list of them for each place would cost more than the rest. */
  readsTheSame: (now: R, before: R, at: number) => boolean;
  make: (now: R, at: number) => P;
}

export function placeByPlace<R, P>({
  remembered,
  alike,
  readsTheSame,
  make,
}: Asked<R, P>): (now: R, count: number) => readonly P[] {
  const earlier: { read: R; row: readonly P[] }[] = [];
  return (now, count) => {
    const rows = earlier.filter(({ read }) => alike(now, read));
    const row: P[] = new Array<P>(count);
    for (let at = 0; at < count; at++)
      row[at] = rows.find(({ read }) => readsTheSame(now, read, at))?.row[at] ?? make(now, at);
    earlier.unshift({ read: now, row });
    if (earlier.length > remembered) earlier.pop();
    return row;
  };
}
