/** What lies round a pipe that takes water in, by school: the stone, the fabric, the holes. */

export const STONES = ['angular', 'round', 'pea', 'none'] as const;
export type Stone = (typeof STONES)[number];

export interface StoneFacts {
  label: string;
  note: string;
  /** Share of it that water fills. */
  voids: number;
  /** Flow through it at unit gradient, m/s: turbulent flow through clean stone of its size (Wilkins 1956, rounded down). */
  through: number;
}

export const STONE_FACTS: Record<Stone, StoneFacts> = {
  angular: { label: '¾ in clear', note: 'angular: locks, carries wheels', voids: 0.4, through: 0.06 },
  round: { label: '1½ in round', note: 'open, easy to shovel', voids: 0.4, through: 0.1 },
  pea: { label: 'Pea stone', note: 'only to leach: it chokes round a pipe that collects', voids: 0.35, through: 0.02 },
  none: { label: 'None', note: 'soil on the pipe or its sock', voids: 0, through: 0 },
};

export const FABRICS = ['wrapped', 'sock', 'none', 'woven'] as const;
export type Fabric = (typeof FABRICS)[number];

export const FABRIC_FACTS: Record<Fabric, { label: string; note: string }> = {
  wrapped: { label: 'Wrapped', note: 'non-woven 4 oz round the trench, lapped 12 in' },
  sock: { label: 'Sock', note: 'on the pipe: for sand' },
  none: { label: 'None', note: 'fines come in with the years' },
  woven: { label: 'Woven sheet', note: 'sheds water until it creases, then lets fines through' },
};

export const PERFORATIONS = ['rows', 'slots'] as const;
export type Perforations = (typeof PERFORATIONS)[number];

export const PERFORATION_FACTS: Record<Perforations, { label: string; note: string }> = {
  rows: { label: 'Two rows of holes', note: 'laid downward: water rises into it' },
  slots: { label: 'Slots all round', note: 'lies any way up' },
};
