/** What fittings cost a flow: K of V²/2g, of the pipe that leaves them. Usual design values; textbooks spread by a third either way. */

/** How a bend is made. */
export const TURNS = ['one45', 'two45', 'one90'] as const;
export type Turn = (typeof TURNS)[number];

export const TURN_FACTS: Record<Turn, { label: string; loss: number }> = {
  one45: { label: 'One 45°', loss: 0.3 },
  two45: { label: 'Two 45s', loss: 0.4 },
  one90: { label: 'One 90°', loss: 1 },
};

/** Where a branch comes in along the flow, and where it comes in square to it. */
export const WYE_LOSS = 0.5;
export const TEE_LOSS = 1.3;
/** From a basin or a channel: the entry costs 0.5, and the velocity that arrives is lost. */
export const ENTRY_LOSS = 1.5;
