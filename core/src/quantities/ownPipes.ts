/** The joint from the pipe of what takes water in (a drain, stone along a slab, a permeable base, a barrel) to the pipe that leaves it. */
import { ofKind } from '../job/job';
import { isNew } from '../job/kinds';
import type { Piece } from '../network/joints';
import { BED_PIPE } from '../works/pavedBed';
import { STONE_DRAIN_USUAL } from '../works/stoneDrain';
import type { Counting } from './counting';
import { closed, meeting, type Lines } from './fittings';

/** Perforated pipe of works comes corrugated. */
const perforated = (nominal: number): Piece => ({
  material: 'singleWall',
  nominal,
  perforated: true,
  old: undefined,
});

interface Own {
  id: string;
  nominal: number;
  parallel: number;
}

/** What each brings of its own to where its pipe leaves. */
function ownOf(lines: Lines): Own[] {
  const { job } = lines;
  return [
    ...ofKind(job, 'drain').map(({ id, nominal, pipes: parallel = 1 }) => ({ id, nominal, parallel })),
    ...ofKind(job, 'drainField').map(({ id, nominal }) => ({ id, nominal, parallel: 1 })),
    ...ofKind(job, 'stoneDrain').map(({ id, nominal = STONE_DRAIN_USUAL.nominal, pipes: parallel = 1 }) => ({
      id,
      nominal,
      parallel,
    })),
    ...ofKind(job, 'pavedBed').map(({ id }) => ({ id, nominal: BED_PIPE, parallel: 1 })),
  ];
}

export function countOwnPipes(lines: Lines, counting: Counting): void {
  for (const { id, nominal, parallel } of ownOf(lines)) {
    const below = lines.from.get(id);
    // An old drain into old pipe has its joint.
    const element = lines.job.elements.get(id)!;
    if ('here' in element && element.here && ![...(lines.into.get(id) ?? []), below ?? []].flat().some(isNew)) continue;
    if (!below) closed(lines.into.get(id) ?? [], id, counting);
    else meeting(lines, { id }, [{ ...perforated(nominal), parallel }, ...(lines.into.get(id) ?? [])], below, counting);
  }
  for (const { id, here } of ofKind(lines.job, 'barrel'))
    for (const run of [...(lines.into.get(id) ?? []), lines.from.get(id) ?? []].flat()) {
      const { material, nominal, parallel = 1 } = run;
      if (!here || isNew(run)) counting.add({ type: 'inletSeal', material, nominal }, id, parallel);
    }
}
