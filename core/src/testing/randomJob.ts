/** Random jobs for laws: sound trees of any shape, with water, by fast-check. */
import fc from 'fast-check';
import { MATERIALS, NOMINAL_SIZES } from '../catalogue/pipes';
import type { Element, Run } from '../job/kinds';
import { jobFrom, type Job } from '../job/job';

const unit = fc.double({ min: 0, max: 1, noNaN: true });

export interface RandomJobOptions {
  /** Whether grades may be set by hand. */
  byHand: boolean;
  style?: 'ground' | 'single';
}

/** A tree of landings whose numbers fall toward one discharge: landing k drains to some landing of a lower number. */
export function randomJob({ byHand, style = 'ground' }: RandomJobOptions): fc.Arbitrary<Job> {
  const node = fc.record({
    to: unit,
    ground: fc.double({ min: -2, max: 2, noNaN: true }),
    length: fc.double({ min: 0.5, max: 60, noNaN: true }),
    roof: unit,
    size: unit,
    material: unit,
    hand: unit,
    share: fc.double({ min: 0.1, max: 5, noNaN: true }),
  });
  return fc
    .record({
      nodes: fc.array(node, { minLength: 1, maxLength: 14 }),
      popup: fc.boolean(),
      outLevel: fc.double({ min: -6, max: 1, noNaN: true }),
    })
    .map(({ nodes, popup, outLevel }) => {
      const elements: Element[] = [
        { id: 'job', kind: 'job', name: 'Random', units: 'us', pitchStyle: style },
        { id: 'rain', kind: 'rain', intensity: 4e-5, source: { type: 'typed' } },
        {
          id: 'n0',
          kind: 'discharge',
          name: 'Out',
          form: popup ? 'popup' : 'daylight',
          receiving: 'swale',
          groundLevel: outLevel,
        },
      ];
      nodes.forEach((each, index) => {
        const id = `n${index + 1}`;
        const to = `n${Math.floor(each.to * (index + 1) * 0.9999)}`;
        elements.push(
          each.roof < 0.5
            ? { id, kind: 'junction', name: id, form: 'wye', groundLevel: each.ground }
            : { id, kind: 'downspout', name: id, storey: 1, size: 'rect3x4', groundLevel: each.ground },
        );
        if (each.roof >= 0.5)
          elements.push({
            id: `f${index}`,
            kind: 'roofFace',
            name: id,
            storey: 1,
            shape: { type: 'area', area: 10 + 200 * each.roof },
            feeds: [{ to: id, share: each.share }],
          });
        const grade: Run['grade'] =
          !byHand || each.hand < 0.6
            ? { type: 'auto' }
            : each.hand < 0.8
              ? { type: 'pitch', pitch: each.hand / 20 }
              : { type: 'levels', up: each.ground - 1 + each.share / 5 };
        elements.push({
          id: `r${index}`,
          kind: 'run',
          from: id,
          to,
          length: each.length,
          grade,
          nominal: NOMINAL_SIZES[Math.floor(each.size * NOMINAL_SIZES.length * 0.9999)]!,
          material: MATERIALS[Math.floor(each.material * MATERIALS.length * 0.9999)]!,
        });
      });
      return jobFrom('random', elements);
    });
}
