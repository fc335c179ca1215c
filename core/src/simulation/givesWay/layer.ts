/** What is told of one layer of defence in one storm. */

export const LAYERS = ['gutters', 'grates', 'pipes', 'stores', 'swales', 'drains', 'berms', 'doors'] as const;
export type LayerId = (typeof LAYERS)[number];

/** One thing of a layer in one storm. */
export interface LayerPart {
  /** Its element. */
  id: string;
  /** m³ that came to it, and that it did not take. */
  came: number;
  passed: number;
  /** What takes what it passes on, by id; of a line where it backs up. Null over the ground. */
  to: string | null;
  /** Of a door, a bank or a crest: what is left over the water at its highest, m; less than 0 where it stands higher. */
  left: number | null;
  /** Water that stood over an inlet, m, where that was deeper than is allowed; 0 where it was not. Of a line: over the inlet that it did not take from. */
  deep: number;
}

export interface LayerCell {
  /** `dry`: nothing comes. `stands`: deeper over an inlet than is allowed, though it goes nowhere else. */
  state: 'dry' | 'takes' | 'stands' | 'passes' | 'close' | 'wet';
  came: number;
  passed: number;
  deep: number;
  to: string | null;
  left: number | null;
  parts: readonly LayerPart[];
}

/** Less than a bucket, m³, or than so much of what came, is as good as nothing. */
export const BUCKET = 0.01;
const SLIGHT = 0.01;

/** Whether so much (m³) of what came is worth a word. */
export const isMuch = (passed: number, came: number): boolean => passed > Math.max(BUCKET, SLIGHT * came);

/** Layers of which water near a sill or a crest is told as close. */
const CLOSE = new Set<LayerId>(['doors', 'berms']);

const worst = (parts: readonly LayerPart[], by: (part: LayerPart) => number): LayerPart | null =>
  parts.reduce<LayerPart | null>((most, each) => (by(each) > (most ? by(most) : 0) ? each : most), null);

/** A layer from its things. `came`: what came to all of it, m³, where that is not what came to each. `margin`: nearer than so to a sill is close, m. */
export function cellOf(
  layer: LayerId,
  parts: readonly LayerPart[],
  { margin, came }: { margin: number; came?: number },
): LayerCell {
  const passing = parts.filter(({ passed, came: whole }) => isMuch(passed, whole));
  const lefts = parts.flatMap(({ left }) => (left === null ? [] : [left]));
  const cell = {
    came: came ?? parts.reduce((sum, each) => sum + each.came, 0),
    passed: passing.reduce((sum, each) => sum + each.passed, 0),
    deep: Math.max(0, ...parts.map(({ deep }) => deep)),
    to: worst(passing, ({ passed }) => passed)?.to ?? worst(parts, ({ deep }) => deep)?.to ?? null,
    left: lefts.length > 0 ? Math.min(...lefts) : null,
    parts,
  };
  return { ...cell, state: stateOf(layer, cell, margin) };
}

function stateOf(layer: LayerId, cell: Omit<LayerCell, 'state'>, margin: number): LayerCell['state'] {
  const { came, passed, deep, left } = cell;
  if (passed > 0) return 'passes';
  if (left !== null && left <= 0) return 'wet';
  if (left !== null && CLOSE.has(layer) && left < margin) return 'close';
  if (deep > 0) return 'stands';
  return left !== null || came > BUCKET ? 'takes' : 'dry';
}

/** Whether a layer gives way: it passes water on, or is run over. What stands deep over an inlet and goes nowhere is seen, and no more. */
export const givesWay = ({ state }: LayerCell): boolean => state === 'passes' || state === 'wet';
