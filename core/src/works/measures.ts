/** How long, how large and in what soil a work lies. */
import { SOIL_FACTS, USUAL_SOIL, type Soil } from '../catalogue/soils';
import { areaOf, wayLength, type Place } from '../site/place';

/** m: as typed, or by its way on the plan; 0 where neither is known. */
export const lengthOf = ({
  length,
  way,
}: {
  length?: number | undefined;
  way?: readonly Place[] | undefined;
}): number => length ?? (way ? wayLength(way) : 0);

/** m²: as typed, or of its outline on the plan; 0 where neither is known. */
export const areaCovered = ({
  area,
  outline,
}: {
  area?: number | undefined;
  outline?: readonly Place[] | undefined;
}): number => area ?? (outline ? Math.abs(areaOf(outline)) : 0);

export interface InSoil {
  soil?: Soil | undefined;
  conductivity?: number | undefined;
}

/** The soil that a work lies in: its own, the job's, or the usual one. */
export const soilOf = ({ soil }: InSoil, ofJob: Soil | undefined): Soil => soil ?? ofJob ?? USUAL_SOIL;

/** m/s: as tested, or the usual one of its soil. */
export const conductivityOf = (work: InSoil, ofJob: Soil | undefined): number =>
  work.conductivity ?? SOIL_FACTS[soilOf(work, ofJob)].conductivity;

/** Share of a soil's volume that its water leaves as it drains: usual values by texture. */
export const DRAINABLE: Record<Soil, number> = {
  sand: 0.22,
  loamySand: 0.17,
  sandyLoam: 0.12,
  loam: 0.08,
  siltLoam: 0.07,
  clayLoam: 0.05,
  clay: 0.03,
};
