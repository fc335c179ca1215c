/** Lines: the longest way into each discharge is one, and every branch is one down to where it joins. */
import { NONE, type Tree } from './tree';

export interface Line {
  /** `A`, `B` … in the order that a crew would call them: each discharge's main line first. */
  letter: string;
  /** Run indices from the top down. */
  runs: number[];
}

/** `A` … `Z`, `AA` … */
export function letterOf(index: number): string {
  const rest = Math.floor(index / 26);
  return (rest > 0 ? letterOf(rest - 1) : '') + String.fromCharCode(65 + (index % 26));
}

/** All lines, each after the one that it joins. */
export function findLines(tree: Tree): Line[] {
  const longest = new Float64Array(tree.landings.length);
  const main = new Int32Array(tree.landings.length).fill(NONE);
  for (let at = 0; at < tree.landings.length; at++) {
    for (const run of tree.arriving[at]!) {
      const reach = longest[tree.upper[run]!]! + tree.runs[run]!.length;
      if (main[at] === NONE || reach > longest[at]!) {
        longest[at] = reach;
        main[at] = run;
      }
    }
  }
  const lines: Line[] = [];
  const feet: number[] = [];
  for (let at = tree.landings.length - 1; at >= 0; at--) {
    if (tree.leaving[at] !== NONE || main[at] === NONE) continue;
    feet.push(main[at]!, ...tree.arriving[at]!.filter((run) => run !== main[at]));
  }
  for (let next = 0; next < feet.length; next++) {
    const runs: number[] = [];
    for (let run = feet[next]!; run !== NONE; run = main[tree.upper[run]!]!) {
      runs.push(run);
      const from = tree.upper[run]!;
      for (const branch of tree.arriving[from]!) if (branch !== main[from]) feet.push(branch);
    }
    lines.push({ letter: letterOf(lines.length), runs: runs.reverse() });
  }
  return lines;
}
