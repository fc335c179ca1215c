/** The joint from the pipe of what takes water in (a drain, stone along a slab, a permeable base, a barrel) to the pipe that leaves it. */
import { isNew, type Barrel, type Drain, type DrainField, type PavedBed, type StoneDrain } from '../job/kinds';
import type { Piece } from '../network/joints';
import { overflowOver } from '../works/barrel';
import { BED_PIPE } from '../works/pavedBed';
import { STONE_DRAIN_USUAL } from '../works/stoneDrain';
import type { Counting } from './counting';
import { closed, makeOfFittings, meeting } from './fittings';
import type { At } from './pipesAt';

/** Perforated pipe of works comes corrugated. */
const perforated = (nominal: number): Piece => ({
  material: 'singleWall',
  nominal,
  perforated: true,
  old: undefined,
});

type WithPipe = Drain | DrainField | StoneDrain | PavedBed;

/** What each brings of its own to where its pipe leaves. */
function ownOf(landing: WithPipe): { nominal: number; parallel: number } {
  const { kind } = landing;
  if (kind === 'pavedBed') return { nominal: BED_PIPE, parallel: 1 };
  const { nominal = STONE_DRAIN_USUAL.nominal } = landing;
  return { nominal, parallel: kind === 'drainField' ? 1 : (landing.pipes ?? 1) };
}

/** Fabric round an open joint in stone, m² for one pipe: two turns, a foot either way, of a 4 in pipe some 0.4 m². */
const WRAP = 2 * 2 * 0.3;

export function countOwnPipe({ landing, pipes, ways }: At<WithPipe>, counting: Counting): void {
  const { above, below } = pipes;
  const { id, here } = landing;
  // An old drain into old pipe has its joint.
  if (here && ![...above, below ?? []].flat().some(isNew)) return;
  if (!below) return closed(above, id, counting);
  const { nominal, parallel } = ownOf(landing);
  // Held in line by the stone that is all round it, one pipe against the other; only so where no other comes in.
  if (
    ways.buttedInStone &&
    above.length === 0 &&
    parallel === (below.parallel ?? 1) &&
    below.nominal >= nominal - 1e-6
  ) {
    counting.add({ type: 'fabric' }, id, parallel * WRAP * Math.PI * below.nominal);
    return;
  }
  meeting(pipes, { id }, [{ ...perforated(nominal), parallel }, ...above], below, counting);
}

/** A seal for each of its pipes; and its overflow, out of its side, down to the line and round into it. */
export function countBarrel({ landing, pipes: { above, below }, invert }: At<Barrel>, counting: Counting): void {
  const { id, here, groundLevel } = landing;
  for (const run of [...above, below ?? []].flat()) {
    const { nominal, parallel = 1 } = run;
    const material = makeOfFittings(run);
    if (here && !isNew(run)) continue;
    counting.add({ type: 'inletSeal', material, nominal }, id, parallel);
    if (run.material === 'clay') counting.add({ type: 'boot', material, other: 'clay', nominal }, id, parallel);
  }
  if (here || !below || invert === null) return;
  const { nominal } = below;
  const material = makeOfFittings(below);
  counting.add({ type: 'bend', material, nominal, degrees: 90 }, id, 2);
  counting.add({ type: 'pipe', material, nominal }, id, Math.max(0, groundLevel + overflowOver(landing) - invert));
}
