import fc from 'fast-check';
import type { Jar } from './rank';
import { rankJars } from './rank';
import { sideBySide, sideBySideWords } from './together';
import { jarsSentence, jarWords } from './words';

const jar = (fill: Jar['fill'], colour: Jar['colour'], ...seconds: number[]): Jar => ({ fill, colour, seconds });

it('ranks by hand: what runs clear before what is faster and muddy, with the range of its repeats', () => {
  const ranked = rankJars([
    jar('woven', 'muddy', 10, 11),
    jar('sock', 'clear', 80, 84),
    jar('nonWoven', 'clear', 40, 42),
  ]);
  expect(ranked.map(({ jar: { fill } }) => fill)).toEqual(['nonWoven', 'sock', 'woven']);
  const sock = ranked[1]!;
  // √(80·84) / √(40·42) = 2; squares ½ ln²(84/80) + ½ ln²(42/40) + ½ ln²(11/10) over 3 degrees of freedom.
  expect(sock.beside!.ratio).toBeCloseTo(2, 9);
  const spread = Math.sqrt((2 * Math.log(1.05) ** 2 + Math.log(1.1) ** 2) / 2 / 3);
  expect(Math.log(sock.beside!.high! / 2)).toBeCloseTo(2.3534 * spread, 3);
  expect(sock.sure).toBeGreaterThan(0.99);
  // Colour tells them apart, no watch.
  expect(ranked[2]!.sure).toBeNull();
});

it('says what is in doubt', () => {
  expect(jarsSentence([jar('nonWoven', 'clear', 40), jar('sock', 'clear', 44)])).toMatch(/tried once.*Try each again/);
  expect(jarsSentence([jar('nonWoven', 'clear', 40, 60), jar('sock', 'clear', 44, 58)])).toMatch(
    /not told apart from Sock yet/,
  );
  expect(jarsSentence([jar('nonWoven', 'clear', 40, 41), jar('woven', 'muddy', 5, 6)])).toBe(
    'Non-woven fabric is best: 40\u00a0s, clear. Soil comes through Woven sheet.',
  );
  expect(jarsSentence([jar('bare', 'muddy', 4), jar('woven', 'muddy', 5)])).toMatch(/^All of them let soil through/);
  expect(jarsSentence([jar('bare', 'clear', 4)])).toMatch(/try another beside it/);
  expect(jarWords(rankJars([{ ...jar('other', 'cloudy', 90), name: 'Old bed sheet' }])[0]!)).toMatch(/^Old bed sheet/);
});

it('puts the truly faster one first as surely as it says, of noisy times', () => {
  let seed = 3;
  const noise = (): number => {
    const chance = (): number => (seed = (seed * 1664525 + 1013904223) % 4294967296) / 4294967296 || 1e-9;
    return Math.sqrt(-2 * Math.log(chance())) * Math.cos(2 * Math.PI * chance());
  };
  const times = (mean: number): number[] => [0, 1, 2].map(() => mean * Math.exp(0.2 * noise()));
  const tries = 4000;
  let [said, right, held] = [0, 0, 0];
  for (let k = 0; k < tries; k++) {
    // How far two are apart is drawn too, evenly: then a sureness is a share of right ones.
    const apart = 0.6 * (k / tries) * (k % 2 === 0 ? 1 : -1);
    const ranked = rankJars([
      jar('nonWoven', 'clear', ...times(40)),
      jar('sock', 'clear', ...times(40 * Math.exp(apart))),
    ]);
    const [first, second] = ranked as [(typeof ranked)[0], (typeof ranked)[0]];
    said += second.sure!;
    if ((first.jar.fill === 'nonWoven') === apart >= 0) right++;
    const truth = Math.exp(first.jar.fill === 'nonWoven' ? apart : -apart);
    if (second.beside!.low! <= truth && truth <= second.beside!.high!) held++;
  }
  expect(Math.abs(said - right) / tries).toBeLessThan(0.04);
  expect(Math.abs(held / tries - 0.9)).toBeLessThan(0.03);
});

it('comes to the same whatever order jars stand in', () => {
  const fills = ['nonWoven', 'sock', 'bare', 'woven'] as const;
  fc.assert(
    fc.property(
      fc.array(fc.array(fc.integer({ min: 2, max: 900 }), { minLength: 1, maxLength: 4 }), {
        minLength: 2,
        maxLength: 4,
      }),
      (all) => {
        const jars = all.map((seconds, k) => jar(fills[k]!, 'clear', ...seconds));
        const seconds = (from: typeof jars): number[] => rankJars(from).map((each) => each.seconds);
        expect(seconds(jars.toReversed())).toEqual(seconds(jars));
      },
    ),
  );
});

it('takes all tests of a company together, the faster first', () => {
  const tests = [
    { tries: [jar('nonWoven', 'clear', 40), jar('sock', 'cloudy', 80)] },
    { tries: [jar('sock', 'muddy', 90), jar('nonWoven', 'clear', 30), jar('angular', 'clear', 5)] },
    { tries: [jar('nonWoven', 'clear', 30)] },
  ];
  const [pair, ...others] = sideBySide(tests, 'fabric');
  expect(others).toEqual([]);
  expect(pair).toMatchObject({ fill: 'nonWoven', beside: 'sock', times: { count: 2 } });
  expect(pair!.times.median).toBeCloseTo(2.5, 9);
  expect(pair!.times.high).toBeCloseTo(3, 9);
  expect(sideBySideWords(pair!)).toBe(
    'Non-woven fabric lets water through 2.5 times as fast as Sock (2.0 to 3.0, 2 tests of your own). Soil came through Sock in 1 of 2.',
  );
  expect(sideBySide(tests, 'stone')).toEqual([]);
});
