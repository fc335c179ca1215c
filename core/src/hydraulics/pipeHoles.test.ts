import fc from 'fast-check';
import { holesTake } from './pipeHoles';

const pipe = { length: 1, nominal: 0.1016, perforations: 'rows', depth: 0.45, clogging: 0 } as const;

it('is a sharp orifice of two rows of half-inch holes, 5 in apart', () => {
  const holes = (2 * (Math.PI / 4) * 0.0127 ** 2) / (5 * 0.0254);
  const taken = 0.6 * holes * Math.sqrt(2 * 9.80665 * (0.45 - 0.0254));
  expect(holesTake(pipe) / taken).toBeCloseTo(1, 2);
  // 52 gpm a metre, 16 gpm a foot, under a foot and a half of water.
  expect((holesTake(pipe) / 6.30902e-5) * 0.3048).toBeCloseTo(16.7, 1);
});

it('takes more with length and water, less with silt and with holes higher up, and nothing where no water comes to them', () => {
  const some = fc.double({ min: 0.05, max: 2, noNaN: true });
  fc.assert(
    fc.property(some, some, (depth, more) => {
      const here = holesTake({ ...pipe, depth });
      expect(holesTake({ ...pipe, depth: depth + more })).toBeGreaterThan(here);
      expect(holesTake({ ...pipe, depth, length: 2 })).toBeCloseTo(2 * here, 12);
      expect(holesTake({ ...pipe, depth, clogging: 0.25 })).toBeCloseTo(0.75 * here, 12);
      expect(holesTake({ ...pipe, depth, perforations: 'slots' })).toBeLessThan(here);
    }),
  );
  expect(holesTake({ ...pipe, depth: 0.02 })).toBe(0);
});
