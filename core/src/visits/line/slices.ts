/** A line cut into slices from its end up, index 0 at the end; and the same with something wrong in it. */
import { GRAVITY } from '../../units/constants';
import type { Fault } from './inLine';
import type { LandingOnWay, PipeOnWay } from './onWay';

export interface Slices {
  count: number;
  /** m up the line, and invert, m above the job's zero. */
  up: Float64Array;
  invert: Float64Array;
  /** Of the pipe below a node: its diameter, m; how many lie side by side; its place in the way's list. */
  diameter: Float64Array;
  parallel: Float64Array;
  pipe: Int32Array;
  /** D^(8/3)/n and √g D^(5/2): what uniform and critical flow in it go by, m³/s. */
  conveys: Float64Array;
  critical: Float64Array;
  /** Landing that stands at a node. */
  landing: readonly (LandingOnWay | null)[];
}

/** Length of a slice, m, and how many there are at most; a belly is some metres long. */
const SLICE = 0.5;
const SLICES = 160;

/** Cuts the pipes of a way, head first, with the landings at their ends. */
export function slicesOf(pipes: readonly PipeOnWay[], landings: readonly LandingOnWay[], whole: number): Slices {
  const nodes: { up: number; invert: number; pipe: number; landing: LandingOnWay | null }[] = [];
  const slice = Math.max(SLICE, whole / SLICES);
  for (let k = pipes.length - 1; k >= 0; k--) {
    const { at, length, up, down } = pipes[k]!;
    const steps = Math.max(2, Math.ceil(length / slice));
    for (let step = nodes.length === 0 ? 0 : 1; step <= steps; step++) {
      const along = length * (1 - step / steps);
      const landing = step === 0 ? landings.at(-1)! : step === steps ? landings[k]! : null;
      nodes.push({ up: whole - at - along, invert: up + ((down - up) * along) / length, pipe: k, landing });
    }
  }
  const of = (node: (typeof nodes)[number]): PipeOnWay => pipes[node.pipe]!;
  return {
    count: nodes.length,
    up: Float64Array.from(nodes, ({ up }) => up),
    invert: Float64Array.from(nodes, ({ invert }) => invert),
    diameter: Float64Array.from(nodes, (node) => of(node).diameter),
    parallel: Float64Array.from(nodes, (node) => of(node).parallel),
    pipe: Int32Array.from(nodes, ({ pipe }) => pipe),
    conveys: Float64Array.from(nodes, (node) => of(node).diameter ** (8 / 3) / of(node).roughness),
    critical: Float64Array.from(nodes, (node) => Math.sqrt(GRAVITY) * of(node).diameter ** 2.5),
    landing: nodes.map(({ landing }) => landing),
  };
}

/** Inverts of a line with something wrong with its levels; the line's own where nothing is. */
export function invertsOf(
  {
    slices,
    pipes,
    landings,
    length,
  }: { slices: Slices; pipes: readonly PipeOnWay[]; landings: readonly LandingOnWay[]; length: number },
  fault: Fault | null,
): Float64Array {
  if (fault?.kind !== 'sag' && fault?.kind !== 'lifted') return slices.invert;
  const offAt = fault.kind === 'sag' ? sagging(fault, pipes, length) : lifted(fault, landings);
  return slices.invert.map((invert, k) => invert + offAt(slices.up[k]!));
}

/** A belly: half a wave, deepest at its middle. */
type OffAt = (up: number) => number;

function sagging(fault: Extract<Fault, { kind: 'sag' }>, pipes: readonly PipeOnWay[], length: number): OffAt {
  const pipe = pipes.find(({ run }) => run === fault.run);
  if (!pipe) return () => 0;
  const [head, middle] = [length - pipe.at, length - pipe.at - fault.along];
  return (up: number): number => {
    const off = Math.abs(up - middle) / (fault.over / 2);
    return off < 1 && up < head && up > head - pipe.length ? -fault.depth * 0.5 * (1 + Math.cos(Math.PI * off)) : 0;
  };
}

/** A landing too high lifts the pipes on both its sides, straight to their other ends. */
function lifted({ landing, by }: Extract<Fault, { kind: 'lifted' }>, landings: readonly LandingOnWay[]): OffAt {
  const index = landings.findIndex(({ id }) => id === landing);
  if (index < 0) return () => 0;
  const whole = landings.at(-1)!.at;
  const [above, at, below] = [landings[index - 1], landings[index]!, landings[index + 1]];
  return (up: number): number => {
    const down = whole - up;
    const side = down < at.at ? above : below;
    if (down === at.at) return by;
    if (!side) return 0;
    return by * Math.max(0, 1 - Math.abs(down - at.at) / Math.abs(side.at - at.at));
  };
}
