/** What stands in a line, and what it costs a flow: K of V²/2g, of the pipe that leaves it. Usual design values; textbooks spread by a third either way. */

/** How a bend is made. */
export const TURNS = ['one45', 'two45', 'one90'] as const;
export type Turn = (typeof TURNS)[number];

export const TURN_FACTS: Record<Turn, { label: string; loss: number }> = {
  one45: { label: 'One 45°', loss: 0.3 },
  two45: { label: 'Two 45s', loss: 0.4 },
  one90: { label: 'One 90°', loss: 1 },
};

/** Where a branch comes in along the flow, and where it comes in square to it. */
const WYE_LOSS = 0.5;
const TEE_LOSS = 1.3;
/** From a box that the water stands in, a basin, a channel or a trap: the entry costs 0.5, and the velocity that arrives is lost. */
export const ENTRY_LOSS = 1.5;

export const JUNCTION_FORMS = ['wye', 'tee', 'cleanout', 'bend', 'sedimentTrap'] as const;
export type JunctionForm = (typeof JUNCTION_FORMS)[number];

export interface JunctionFacts {
  label: string;
  /** Said under its chip. */
  note?: string;
  /** K where several pipes come in, and where one does; a bend's own is by its turn. */
  meetingLoss: number;
  throughLoss: number;
  /** Whether a rod or a hose can be got in. */
  access: boolean;
  /** Whether grit settles there out of the flow. */
  trapsGrit: boolean;
}

const fitting = { meetingLoss: WYE_LOSS, throughLoss: 0, access: false, trapsGrit: false };

export const JUNCTION_FACTS: Record<JunctionForm, JunctionFacts> = {
  wye: { ...fitting, label: 'Wye' },
  tee: { ...fitting, label: 'Tee', note: 'square to the flow', meetingLoss: TEE_LOSS },
  cleanout: { ...fitting, label: 'Cleanout', access: true },
  bend: { ...fitting, label: 'Bend or grade break' },
  sedimentTrap: {
    label: 'Sediment trap',
    note: 'grit settles in it',
    meetingLoss: ENTRY_LOSS,
    throughLoss: ENTRY_LOSS,
    access: true,
    trapsGrit: true,
  },
};
