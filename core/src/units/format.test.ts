import {
  decimals,
  showArea,
  showFlow,
  showLength,
  showLevel,
  showNominal,
  showPitchTrade,
  showRain,
  showShear,
  showSmall,
  showVelocity,
  text,
  type Shown,
} from './index';

const read = ({ value, unit }: Shown): string => text({ value, unit }).replaceAll('\u00a0', ' ');

it.each([
  [decimals(1234567.891, 1), '1,234,567.9'],
  [decimals(-0.0004, 2), '0.00'],
  [decimals(-12.5, 1), '−12.5'],
  [decimals(999.5, 0), '1,000'],
])('%s', (got, wanted) => expect(got).toBe(wanted));

/** By hand: exact factors, rounded as a tape, a rod or a pump's plate is read. */
it.each<[string, Shown, Shown, string, string]>([
  ['a length', showLength(12.8016, 'us'), showLength(12.8016, 'metric'), '42′', '12.80 m'],
  ['a length that rounds up to a foot', showLength(0.304, 'us'), showLength(0.304, 'metric'), '1′', '0.30 m'],
  ['a level under the zero', showLevel(-0.8255, 'us'), showLevel(-0.8255, 'metric'), '−2′ 8 1/2″', '−0.826 m'],
  ['the zero', showLevel(0, 'us'), showLevel(0, 'metric'), '0′', '0.000 m'],
  ['a level over it', showLevel(0.0254, 'us'), showLevel(0.0254, 'metric'), '+1″', '+0.025 m'],
  ['a small size', showSmall(0.3048, 'us'), showSmall(0.3048, 'metric'), '12 in', '305 mm'],
  ['an eighth', showSmall(0.003175, 'us'), showSmall(0.003175, 'metric'), '1/8 in', '3 mm'],
  ['more than two feet', showSmall(0.762, 'us'), showSmall(0.762, 'metric'), '2′ 6″', '762 mm'],
  ['a nominal size', showNominal(0.1016, 'us'), showNominal(0.1016, 'metric'), '4 in', '100 mm'],
  ['a flow', showFlow(0.0063090196, 'us'), showFlow(0.0063090196, 'metric'), '100 gpm', '6.31 L/s'],
  ['a small flow', showFlow(0.00005, 'us'), showFlow(0.00005, 'metric'), '0.8 gpm', '0.05 L/s'],
  ['a velocity', showVelocity(0.6096, 'us'), showVelocity(0.6096, 'metric'), '2.0 ft/s', '0.61 m/s'],
  ['an area', showArea(111.483648, 'us'), showArea(111.483648, 'metric'), '1,200 ft²', '111.5 m²'],
  ['a rain', showRain(0.0254 / 600, 'us'), showRain(0.0254 / 600, 'metric'), '6.00 in/h', '152 mm/h'],
  [
    'a pitch as a level is set',
    showPitchTrade(1 / 48, 'us'),
    showPitchTrade(1 / 48, 'metric'),
    '0.25 in/ft',
    '20.8 mm/m',
  ],
  ['a shear', showShear(1.4273, 'us'), showShear(1.4273, 'metric'), '0.030 lb/ft²', '1.43 Pa'],
])('%s', (_, us, metric, inches, millimetres) => {
  expect(read(us)).toBe(inches);
  expect(read(metric)).toBe(millimetres);
});

it('keeps a number and its unit on one line', () => expect(text(showFlow(0.01, 'us'))).toContain('\u00a0'));

it('a trickle is never told as none', () => {
  expect(read(showFlow(0.01 * 6.30902e-5, 'us'))).toBe('0.01 gpm');
  expect(read(showFlow(0.2 * 6.30902e-5, 'us'))).toBe('0.2 gpm');
  expect(read(showFlow(0, 'us'))).toBe('0.0 gpm');
  expect(read(showFlow(2e-6, 'metric'))).toBe('0.002 L/s');
});
