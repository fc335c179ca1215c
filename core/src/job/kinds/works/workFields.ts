/** What works in the ground have alike. */
import { z } from 'zod';
import { SOILS } from '../../../catalogue/soils';
import { STONES, FABRICS } from '../../../catalogue/stone';

/** The soil that it lies in, as the job's ground when absent; and its conductivity where that was tested, m/s. */
export const soilFields = {
  soil: z.enum(SOILS).optional(),
  conductivity: z.number().min(0).max(1).optional(),
};

/** What lies round a pipe that takes water in. */
export const beddingFields = {
  stone: z.enum(STONES).optional(),
  fabric: z.enum(FABRICS).optional(),
};
