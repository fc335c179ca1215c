import { changed } from '../change';
import { jobFaults } from '../faults';
import { ofKind } from '../job';
import type { Building } from '../kinds';
import { face, house, jobOf, spout } from '../../testing/parts';
import { planJob } from '../../verdict/planJob';
import { distance, distanceTo } from '../../site/place';
import { anotherLike } from './likeIt';

const corners = (house as Building).outline!;
const along = {
  east: (corners[0]!.east * 3 + corners[1]!.east) / 4,
  north: (corners[0]!.north * 3 + corners[1]!.north) / 4,
};

it('has as much roof, its own name, and stands on along the wall, toward the end that has the room', () => {
  const job = jobOf(house, face(80, 'spout'), spout({ name: 'Front 1', place: along, size: 'round4' }));
  const { change, id } = anotherLike(job, ofKind(job, 'downspout')[0]!);
  const after = changed(job, change);
  expect(jobFaults(after)).toEqual([]);
  const [first, second] = ofKind(after, 'downspout');
  expect(second).toMatchObject({ id, name: 'Front 2', size: 'round4', groundLevel: first!.groundLevel });
  expect(distanceTo(corners, second!.place!)).toBeCloseTo(0, 9);
  expect(distance(second!.place!, first!.place!)).toBeCloseTo(
    Math.min(6.096, 0.75 * distance(corners[0]!, corners[1]!)),
    9,
  );
  const { atDownspout } = planJob(after).sources;
  expect(atDownspout.get(id)).toBeCloseTo(atDownspout.get(first!.id)!, 12);
});

it('a roof that is drawn stays where it is, and its area goes along; one that feeds two is nobody’s own', () => {
  const drawn = { ...face(1, 'spout'), shape: { type: 'outline', pitch: 0.5 }, outline: corners } as ReturnType<
    typeof face
  >;
  const shared = face(50, 'spout', {
    id: 'both',
    feeds: [
      { to: 'spout', share: 1 },
      { to: 'other', share: 1 },
    ],
  });
  const job = jobOf(drawn, shared, spout({ name: 'Back' }), spout({ id: 'other', name: 'Other' }));
  const { change } = anotherLike(job, ofKind(job, 'downspout')[0]!);
  const faces = change.puts.filter(({ kind }) => kind === 'roofFace');
  expect(faces).toHaveLength(1);
  expect(faces[0]).toMatchObject({ shape: { type: 'area', area: expect.closeTo(80, 6) } });
  expect(jobFaults(changed(job, change))).toEqual([]);
});
