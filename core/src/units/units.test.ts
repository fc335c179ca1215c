import fc from 'fast-check';
import {
  parseArea,
  parseFlow,
  parseLength,
  parsePitch,
  parseRain,
  parseRoofPitch,
  parseShare,
  showArea,
  showFlow,
  showLength,
  showLevel,
  showNominal,
  showPitch,
  showPitchTrade,
  showRain,
  showSmall,
  showVelocity,
  text,
  type Parsed,
} from './index';

const FOOT = 0.3048;
const INCH = 0.0254;
const value = (parsed: Parsed): number => (parsed.ok ? parsed.value : Number.NaN);

describe('lengths as a tradesman says them', () => {
  it.each([
    [`12'6"`, 12.5 * FOOT],
    ['12 6', 12.5 * FOOT],
    ['12.5', 12.5 * FOOT],
    ['12ft6', 12.5 * FOOT],
    ['12 ft 6 in', 12.5 * FOOT],
    ['3.8m', 3.8],
    ['4 5/8"', 4.625 * INCH],
    [`-2' 4 1/2"`, -28.5 * INCH],
    ['−2′ 4½″', -28.5 * INCH],
    [`42'`, 42 * FOOT],
    ['650mm', 0.65],
    ['1,200', 1200 * FOOT],
    ['.5', 0.5 * FOOT],
    [`6''`, 6 * INCH],
    ['12-6', 12.5 * FOOT],
    ['12½', 12.5 * FOOT],
    ['½', 0.5 * FOOT],
    ['12,5', 12.5 * FOOT],
    ['12,345.5', 12_345.5 * FOOT],
    ['1234,500', 1234.5 * FOOT],
  ])('%s in a US job', (typed, metres) => expect(value(parseLength(typed, 'us'))).toBeCloseTo(metres, 9));

  it.each([
    ['12.5', 12.5],
    ['650mm', 0.65],
    ['3,8', 3.8],
    ['-0,125', -0.125],
    ['3,8m', 3.8],
    ['65 cm', 0.65],
    [`10'`, 10 * FOOT],
  ])('%s in a metric job', (typed, metres) => expect(value(parseLength(typed, 'metric'))).toBeCloseTo(metres, 9));

  it('reads a bare number as inches or millimetres in a short field', () => {
    expect(value(parseLength('4 5/8', 'us', 'short'))).toBeCloseTo(4.625 * INCH, 9);
    expect(value(parseLength('100', 'metric', 'short'))).toBeCloseTo(0.1, 9);
  });

  it.each(['', 'abc', `12'6'`, '1/0"', '12 6 3', '--4', '5 5/8', '1e9'])(
    'refuses %s with a sentence that says what would be right',
    (typed) => {
      const parsed = parseLength(typed, 'us');
      expect(parsed.ok).toBe(false);
      expect(!parsed.ok && parsed.sentence).toMatch(/12'6"/);
    },
  );
});

describe('other entries', () => {
  it.each([
    ['1/4"/ft', 1 / 48],
    ['¼ in/ft', 1 / 48],
    ['2%', 0.02],
    ['2', 0.02],
    ['1:48', 1 / 48],
    ['1 in 80', 1 / 80],
    ['10mm/m', 0.01],
    ['-1%', -0.01],
  ])('pitch %s', (typed, pitch) => expect(value(parsePitch(typed))).toBeCloseTo(pitch, 12));
  it.each([
    ['6/12', 0.5],
    ['6', 0.5],
    ['45°', 1],
    ['100%', 1],
  ])('roof pitch %s', (typed, pitch) => expect(value(parseRoofPitch(typed))).toBeCloseTo(pitch, 12));
  it.each([
    ['1200', 1200 * FOOT ** 2],
    ['1,200 sq ft', 1200 * FOOT ** 2],
    ['40 x 30', 1200 * FOOT ** 2],
    ['110 m²', 110],
  ])('area %s', (typed, area) => expect(value(parseArea(typed, 'us'))).toBeCloseTo(area, 6));

  it('takes rain, flow and shares', () => {
    expect(value(parseRain('6', 'us'))).toBeCloseTo((6 * INCH) / 3600, 12);
    expect(value(parseRain('150', 'metric'))).toBeCloseTo(0.15 / 3600, 12);
    // 1 US gallon a minute is 6.30902e-5 m³/s (NIST SP 811).
    expect(value(parseFlow('1', 'us'))).toBeCloseTo(6.30902e-5, 10);
    expect(value(parseShare('1/4'))).toBe(0.25);
    expect(parsePitch('1:0').ok).toBe(false);
    expect(value(parseRain('4,5', 'us'))).toBeCloseTo((4.5 * INCH) / 3600, 12);
    // A hundredth of a per cent or one in a hundred: nobody can tell, so it is asked.
    expect(parsePitch('0.01')).toEqual({
      ok: false,
      sentence: 'Is that 0.01%, or a fall of 0.01 in 1? Write 0.01% or 1%.',
    });
    expect(value(parsePitch('0.01%'))).toBeCloseTo(1e-4, 12);
    expect(value(parsePitch('0.5'))).toBeCloseTo(0.005, 12);
  });
});

describe('what is shown reads back', () => {
  const span = fc.double({ min: -300, max: 300, noNaN: true });
  const near = (parsed: Parsed, wanted: number, within: number): void =>
    expect(Math.abs(value(parsed) - wanted)).toBeLessThanOrEqual(within);

  it('lengths to half an inch or half a centimetre, levels and small sizes to a sixteenth or half a millimetre', () => {
    fc.assert(
      fc.property(span, (metres) => {
        near(parseLength(text(showLength(metres, 'us')), 'us'), metres, INCH / 2 + 1e-9);
        near(parseLength(text(showLength(metres, 'metric')), 'metric'), metres, 0.005 + 1e-9);
        near(parseLength(text(showLevel(metres, 'us')), 'us'), metres, INCH / 16 + 1e-9);
        near(parseLength(text(showLevel(metres, 'metric')), 'metric'), metres, 0.0005 + 1e-9);
        near(parseLength(text(showSmall(metres / 100, 'us')), 'us', 'short'), metres / 100, INCH / 16 + 1e-9);
        near(parseLength(text(showSmall(metres / 100, 'metric')), 'metric', 'short'), metres / 100, 0.0005 + 1e-9);
      }),
    );
  });

  it('areas, rains and pitches', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 900_000, noNaN: true }), (metres) => {
        near(parseArea(text(showArea(metres, 'us')), 'us'), metres, 0.05);
        near(parseArea(text(showArea(metres, 'metric')), 'metric'), metres, 0.051);
      }),
    );
    near(parseRain(text(showRain(4.2e-5, 'us')), 'us'), 4.2e-5, 1e-7);
    near(parsePitch(text(showPitch(0.0104))), 0.0104, 1e-9);
    near(parsePitch(text(showPitchTrade(1 / 48, 'us'))), 1 / 48, 1e-9);
  });
});

it('shows figures the way they are read on site', () => {
  expect(text(showLength(12.5 * FOOT, 'us'))).toBe('12′\u00a06″');
  expect(text(showLevel(-2.5 * INCH, 'us'))).toBe('−2\u00a01/2″');
  expect(text(showSmall(0.3048, 'us'))).toBe('12\u00a0in');
  expect(text(showLevel(0, 'us'))).toBe('0′');
  expect(text(showFlow(6.30902e-5 * 225, 'us'))).toBe('225\u00a0gpm');
  expect(text(showNominal(0.1016, 'metric'))).toBe('100\u00a0mm');
  expect(text(showVelocity(0.6096, 'us'))).toBe('2.0\u00a0ft/s');
  expect(text(showSmall(-0.00001, 'metric'))).toBe('0\u00a0mm');
});
