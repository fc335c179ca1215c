/** What the ground of a job takes, by its tests. */
import { SOIL_FACTS, USUAL_SOIL, type Soil } from '../catalogue/soils';
import { headOf, ofKind, type Job } from '../job/job';
import type { SoilTest } from '../job/kinds';
import { distance, type Place } from '../site/place';
import { inverseAugerHole, soilByJar, soilByRibbon } from '../site/soilTest';

export interface FoundSoil {
  soil: Soil;
  /** m/s, when wet. */
  conductivity: number;
}

/** The soil whose usual conductivity is nearest by its tenfolds. */
const soilOf = (conductivity: number): Soil =>
  (Object.keys(SOIL_FACTS) as Soil[]).reduce((best, soil) => {
    const off = (each: Soil): number => Math.abs(Math.log(SOIL_FACTS[each].conductivity / conductivity));
    return off(soil) < off(best) ? soil : best;
  });

/** What a test says; null of a hole with fewer than two readings, or whose water did not fall. */
export function soilOfTest({ test }: Pick<SoilTest, 'test'>): FoundSoil | null {
  if (test.type !== 'hole') {
    const soil = test.type === 'ribbon' ? soilByRibbon(test.length) : soilByJar(test.sand, test.silt, test.clay);
    return { soil, conductivity: SOIL_FACTS[soil].conductivity };
  }
  if (test.readings.length < 2) return null;
  const conductivity = inverseAugerHole(
    test.radius,
    test.readings.map(({ time }) => time),
    test.readings.map(({ depth }) => depth),
  );
  return conductivity > 0 ? { soil: soilOf(conductivity), conductivity } : null;
}

/** Soil at a place: of the nearest test, or what the job says; `tested` tells which. */
export function soilAt(job: Job, place: Place): FoundSoil & { tested: boolean } {
  const tests = ofKind(job, 'soilTest').flatMap((test) => {
    const found = soilOfTest(test);
    return found ? [{ found, away: test.place ? distance(test.place, place) : Infinity }] : [];
  });
  const nearest = tests.reduce<(typeof tests)[number] | null>(
    (best, each) => (best && best.away <= each.away ? best : each),
    null,
  );
  if (nearest) return { ...nearest.found, tested: true };
  const soil = headOf(job).soil ?? USUAL_SOIL;
  return { soil, conductivity: SOIL_FACTS[soil].conductivity, tested: headOf(job).soil !== undefined };
}
