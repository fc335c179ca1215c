/** What can be undone and what can be made again, oldest first; each change of the two is told as what the device is to keep. */
import type { UndoStep } from './steps';
import type { Stack, Step, StoredStep } from './stored';

/** Steps on one stack at most; older ones are let go. */
const MAX_STEPS = 200;

export class Stacks {
  private stacks: Record<Stack, readonly StoredStep[]> = { past: [], future: [] };
  private lastOrder = 0;

  last(stack: Stack): StoredStep | undefined {
    return this.stacks[stack].at(-1);
  }

  /** Takes in steps that the device kept. */
  remember(steps: readonly StoredStep[]): void {
    const all = new Map([...this.stacks.past, ...this.stacks.future, ...steps].map((step) => [step.id, step]));
    const sorted = [...all.values()].sort((a, b) => a.order - b.order);
    const on = (stack: Stack): StoredStep[] => sorted.filter((step) => step.stack === stack);
    this.stacks = { past: on('past'), future: on('future') };
    this.lastOrder = sorted.at(-1)?.order ?? this.lastOrder;
  }

  /** Lays a step on a stack; the oldest beyond the most goes. */
  push(stack: Stack, step: UndoStep): Step {
    const stored = { ...step, stack, order: ++this.lastOrder };
    const old = this.stacks[stack].slice(0, -(MAX_STEPS - 1));
    this.stacks[stack] = [...this.stacks[stack].slice(-(MAX_STEPS - 1)), stored];
    return { steps: [stored], forgotten: old.map(({ id }) => id) };
  }

  /** Lets the last step of a stack go. */
  drop(stack: Stack): Step {
    const step = this.last(stack);
    return step ? this.forget(step.id) : {};
  }

  /** Lets one step go, wherever it lies. */
  forget(id: string): Step {
    const without = (stack: Stack): StoredStep[] => this.stacks[stack].filter((step) => step.id !== id);
    this.stacks = { past: without('past'), future: without('future') };
    return { forgotten: [id] };
  }

  empty(stack: Stack): Step {
    const forgotten = this.stacks[stack].map(({ id }) => id);
    this.stacks[stack] = [];
    return { forgotten };
  }
}
