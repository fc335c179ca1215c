/** Exact or published conversion factors; the only place that knows feet. All "per" names read as SI per trade unit. */
export const METRES_PER_FOOT = 0.3048;
export const METRES_PER_INCH = 0.0254;
export const SQUARE_METRES_PER_SQUARE_FOOT = METRES_PER_FOOT ** 2;
/** US liquid gallon (231 in³) a minute, m³/s. */
export const CUBIC_METRES_PER_SECOND_PER_GPM = (231 * METRES_PER_INCH ** 3) / 60;
export const CUBIC_METRES_PER_CUBIC_YARD = (3 * METRES_PER_FOOT) ** 3;
/** A quarter of a US liquid gallon. */
export const LITRES_PER_QUART = 57.75 * METRES_PER_INCH ** 3 * 1000;
/** 2,000 lb (NIST SP 811). */
export const TONNES_PER_SHORT_TON = 0.90718474;
/** Rain of one inch an hour, m/s. */
export const METRES_PER_SECOND_PER_INCH_PER_HOUR = METRES_PER_INCH / 3600;
export const METRES_PER_SECOND_PER_MILLIMETRE_PER_HOUR = 0.001 / 3600;
export const CUBIC_METRES_PER_SECOND_PER_LITRE_PER_SECOND = 0.001;
/** Pa in 1 lbf/ft² (NIST SP 811). */
export const PASCALS_PER_POUND_PER_SQUARE_FOOT = 47.880259;
/** Standard gravity, m/s². */
export const GRAVITY = 9.80665;
/** Fresh water, kg/m³. */
export const WATER_DENSITY = 1000;

/** Units a job is shown and typed in; storage is always SI. */
export type UnitSystem = 'us' | 'metric';
