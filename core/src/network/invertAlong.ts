/** Where a pipe's bottom lies between its ends. */

/** Invert so far down a pipe from its head, m, by its plan: straight from end to end. */
export const invertAlong = (
  { invertUp, invertDown, length }: { invertUp: number; invertDown: number; length: number },
  along: number,
): number => invertUp + ((invertDown - invertUp) * along) / length;
