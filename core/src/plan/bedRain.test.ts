/** Rain over permeable paving is counted once, whoever draws the paving besides the base under it. */
import type { PavedBed } from '../job/kinds';
import { basin, ground, jobOf, out, pipe } from '../testing/parts';
import { at, levelled } from '../testing/levelledYard';
import { planJob } from '../verdict/planJob';

const bed = (more: Partial<PavedBed> = {}): PavedBed => ({
  id: 'bed',
  kind: 'pavedBed',
  name: 'Patio',
  area: 60,
  groundLevel: 0,
  depth: 0.3,
  soil: 'clay',
  ...more,
});
const comes = (...more: Parameters<typeof jobOf>): number =>
  planJob(jobOf(bed(), out(), pipe('bed'), ...more)).landings.bed!.enteringArea;
const pavers = (area: number, more: object = {}) =>
  ground(area, 'bed', { cover: 'permeablePavers', coefficient: undefined, ...more });

it('its own rain sinks in whole, and the pavers on it bring no more', () => {
  expect(comes()).toBeCloseTo(60, 9);
  expect(comes(pavers(60))).toBeCloseTo(60, 9);
  expect(comes(pavers(25))).toBeCloseTo(60, 9);
  // What is wider than the bed runs on to it as such pavers shed: 0.4 of it.
  expect(comes(pavers(100))).toBeCloseTo(60 + 0.4 * 40, 9);
  expect(comes(pavers(40), pavers(40, { id: 'second' }))).toBeCloseTo(60 + 0.4 * 20, 9);
});

it('other ground that sheds to it comes besides', () => {
  expect(comes(pavers(50, { cover: 'paving' }))).toBeCloseTo(60 + 0.9 * 50, 9);
});

it('drawn, its ground is not gathered by the inlet below it too', () => {
  const outline = [at(8, 6), at(16, 6), at(16, 12), at(8, 12)];
  const inlet = basin({ place: at(12, 20) });
  const yard = levelled((place) => 1 - 0.02 * place.north);
  const gathers = (...more: Parameters<typeof jobOf>): number =>
    planJob(jobOf(...yard, inlet, out(), pipe('basin'), ...more))
      .sources.contributingAreas.filter(({ id }) => id.startsWith('ground~basin~'))
      .reduce((sum, { area }) => sum + area, 0);
  const whole = gathers();
  const beside = gathers(bed({ area: undefined, outline }));
  // Upstream of a basin its strip is two or three cells wide: of 20 m of it 6 lie on the bed.
  expect(beside / whole).toBeCloseTo(14 / 20, 1);
});
