/** What is told of one layer of defence in one case. */

export const LAYERS = ['gutters', 'grates', 'pipes', 'stores', 'swales', 'drains', 'berms', 'doors'] as const;
export type LayerId = (typeof LAYERS)[number];

/** One thing of a layer in one case. */
export interface LayerPart {
  /** Its element. */
  id: string;
  /** m³/s */
  offered: number;
  passed: number;
  /** What takes what it passes on, by id; null over the ground. */
  to: string | null;
  /** Of a door or a berm: what is left over the water, m; less than 0 where it stands higher. */
  left: number | null;
}

export interface LayerCell {
  /** `dry`: nothing comes. */
  state: 'dry' | 'takes' | 'passes' | 'close' | 'wet';
  offered: number;
  passed: number;
  to: string | null;
  left: number | null;
  parts: readonly LayerPart[];
}
