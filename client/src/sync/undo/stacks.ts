/** What can be undone and what can be made again, oldest first; each change of the two is told as what the device is to keep. Pure. */
import type { UndoStep } from './steps';
import type { Stack, Step, StoredStep } from '../device/stored';

export type Stacks = Readonly<Record<Stack, readonly StoredStep[]>> & { readonly lastOrder: number };

/** The stacks after something was done to them, and what of that the device is to keep. */
export interface Stacked {
  stacks: Stacks;
  step: Step;
}

/** Steps on one stack at most; older ones are let go. */
const MAX_STEPS = 200;

export const NO_STEPS: Stacks = { past: [], future: [], lastOrder: 0 };

export const lastStep = (stacks: Stacks, stack: Stack): StoredStep | undefined => stacks[stack].at(-1);

/** Takes in steps that the device kept. */
export function withKept(stacks: Stacks, steps: readonly StoredStep[]): Stacks {
  const all = new Map([...stacks.past, ...stacks.future, ...steps].map((step) => [step.id, step]));
  const sorted = [...all.values()].sort((a, b) => a.order - b.order);
  const on = (stack: Stack): StoredStep[] => sorted.filter((step) => step.stack === stack);
  return { past: on('past'), future: on('future'), lastOrder: sorted.at(-1)?.order ?? stacks.lastOrder };
}

/** Lays a step on a stack; the oldest beyond the most goes. */
export function push(stacks: Stacks, stack: Stack, step: UndoStep): Stacked {
  const stored = { ...step, stack, order: stacks.lastOrder + 1 };
  const old = stacks[stack].slice(0, -(MAX_STEPS - 1));
  return {
    stacks: { ...stacks, [stack]: [...stacks[stack].slice(-(MAX_STEPS - 1)), stored], lastOrder: stored.order },
    step: { steps: [stored], forgotten: old.map(({ id }) => id) },
  };
}

/** Lets one step go, wherever it lies. */
export function forget(stacks: Stacks, id: string): Stacked {
  const without = (stack: Stack): StoredStep[] => stacks[stack].filter((step) => step.id !== id);
  return { stacks: { ...stacks, past: without('past'), future: without('future') }, step: { forgotten: [id] } };
}

/** Lets the last step of a stack go. */
export function drop(stacks: Stacks, stack: Stack): Stacked {
  const step = lastStep(stacks, stack);
  return step ? forget(stacks, step.id) : { stacks, step: {} };
}

export const empty = (stacks: Stacks, stack: Stack): Stacked => ({
  stacks: { ...stacks, [stack]: [] },
  step: { forgotten: stacks[stack].map(({ id }) => id) },
});
