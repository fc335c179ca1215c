/** Calm jobs beside a house with doors that no inlet names: inlets near and far from them, nothing measured between. */
import { changed, put } from '../job/change';
import type { Element } from '../job/kinds';
import { ofKind, type Job } from '../job/job';
import { handOf } from '../numeric/dice';
import { seededJob } from './seeded';

const [EAST, NORTH] = [14, 9];

export function seededDoors(seed: number): Job {
  const hand = handOf(seed * 104_729 + 7);
  const job = seededJob(seed, 'calm');
  const corners = [
    { east: 0, north: 0 },
    { east: EAST, north: 0 },
    { east: EAST, north: NORTH },
    { east: 0, north: NORTH },
  ];
  const inlets = ofKind(job, 'basin');
  const levels = inlets.map(({ groundLevel }) => groundLevel);
  const near = levels.length > 0 ? hand.pick(levels) : 0;
  const doors = [0, 2].map((wall): Element => ({
    id: `door${wall}`,
    kind: 'opening',
    name: `Door ${wall}`,
    form: 'door',
    building: 'house',
    wall,
    along: hand.between(1, EAST - 1),
    ...(hand.chance(0.9) ? { sillLevel: near + hand.between(-0.1, 0.4) } : {}),
  }));
  const placed = inlets.map((inlet): Element => {
    const place = {
      east: hand.between(0, EAST),
      north: hand.chance(0.5) ? -hand.between(0.3, 8) : NORTH + hand.between(0.3, 8),
    };
    const { sillLevel: _, ...rest } = inlet;
    return hand.chance(0.9) ? { ...rest, place } : rest;
  });
  return changed(
    job,
    put('Doors', { id: 'house', kind: 'building', name: 'House', outline: corners }, ...doors, ...placed),
  );
}
