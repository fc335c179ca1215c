/** Every closed formula and inner solve of the core, as sums. */
import { z } from 'zod';
import { channelCapacity } from '../hydraulics/channelCapacity';
import { channelProfile } from '../hydraulics/channelDrain';
import { criticalDepth } from '../hydraulics/criticalDepth';
import { leaderCapacity } from '../hydraulics/leader';
import { openNormalDepth } from '../hydraulics/openSection';
import { fullFlow, normalDepth } from '../hydraulics/pipe';
import { isbashSize, riprapSize } from '../hydraulics/riprap';
import { sagCapacity, sagDepth } from '../hydraulics/sagInlet';
import { shallowestLine, type GroundLine } from '../network/shallowest';
import { intensityOf, type IntensityTable } from '../rain/intensity';
import { sheetTime } from '../runoff/timeOfConcentration';
import { rationalFlow } from '../runoff/rational';
import { anyNumber, BadGiven, evenly, field, notNegative, positive, rising, share, sum, type Sum } from './sum';

const M = 'm';
const FLOW = 'm³/s';
const SPEED = 'm/s';
const SECONDS = 's';
const PITCH = 'm/m';
const ROUGHNESS = 's/m^(1/3)';
const SHEAR = 'Pa';
const AREA = 'm²';

const length = field(positive, M);
const slope = field(positive, PITCH);
const roughness = field(positive, ROUGHNESS);
const flow = field(notNegative, FLOW);
/** Of a grate that must take a flow; one that is blocked altogether takes none at any depth. */
const clogging = field(z.number().min(0).lt(1));
const durations = field(rising, SECONDS);
const intensities = field(z.array(positive).min(1).max(100_000), SPEED);
const inlet = { weirLength: length, openArea: field(positive, AREA), clogging };
const channel = { width: length, depth: length, length, slope: field(notNegative, PITCH), roughness };
const partFull = { depth: M, velocity: SPEED, froude: '–', shear: SHEAR };

const MANNING = 'Manning’s formula, n constant with depth (Chow 1959, chapters 5 and 6).';

const table = <T extends IntensityTable>(given: T): T => evenly(given, 'durations', 'intensities');

const groundLine = (given: GroundLine): GroundLine => evenly(given, 'stations', 'ground');

export const formulaSums: readonly Sum[] = [
  sum('pipe.full', MANNING, { diameter: length, slope, roughness }, { flow: FLOW, velocity: SPEED }, fullFlow),
  sum(
    'pipe.normalDepth',
    MANNING,
    { diameter: length, slope, roughness, flow },
    { ...partFull, surcharged: 'true or false' },
    normalDepth,
  ),
  sum(
    'pipe.criticalDepth',
    'Q² T = g A³ (Chow 1959, eq. 4-4).',
    { diameter: length, flow },
    { depth: M },
    (given: Parameters<typeof criticalDepth>[0]) => ({ depth: criticalDepth(given) }),
  ),
  sum(
    'section.normalDepth',
    MANNING,
    {
      bottomWidth: field(notNegative, M),
      sideSlopeLeft: field(notNegative, 'm/m'),
      sideSlopeRight: field(notNegative, 'm/m'),
      slope,
      roughness,
      flow,
    },
    { ...partFull, topWidth: M },
    (given: Parameters<typeof openNormalDepth>[0]) => {
      if (given.bottomWidth + given.sideSlopeLeft + given.sideSlopeRight === 0)
        throw new BadGiven('bottomWidth', 'must be more than 0 where both sides are upright');
      return openNormalDepth(given);
    },
  ),
  sum(
    'runoff.rational',
    'Q = C Cf i A (Kuichling 1889), C Cf at most 1 for each area.',
    {
      areas: field(z.array(z.strictObject({ area: notNegative, c: share })).max(100_000), 'area m²; c'),
      intensity: field(notNegative, SPEED),
      frequencyFactor: field(z.number().min(0).max(10).optional()),
    },
    { flow: FLOW },
    (given: Parameters<typeof rationalFlow>[0]) => ({ flow: rationalFlow(given) }),
  ),
  sum(
    'rain.intensity',
    'Log–log between rows; the nearest row outside the table.',
    { durations, intensities, duration: field(positive, SECONDS) },
    { intensity: SPEED },
    (given: IntensityTable & { duration: number }) => ({ intensity: intensityOf(table(given), given.duration) }),
  ),
  sum(
    'concentration.sheet',
    'Kinematic wave, t = 0.94 (n L)^0.6 / (i^0.4 S^0.3) min (Ragan 1971), solved with the table.',
    { length, roughness, slope, durations, intensities },
    { time: SECONDS, intensity: SPEED },
    (given: IntensityTable & { length: number; roughness: number; slope: number }) => sheetTime(given, table(given)),
  ),
  sum(
    'inlet.sagCapacity',
    'Lesser of weir 1.66 P d^1.5 and orifice 0.67 A √(2 g d) (FHWA HEC-22, §4.4.5).',
    { ...inlet, clogging: field(share), depth: field(notNegative, M) },
    { flow: FLOW, control: 'weir or orifice' },
    sagCapacity,
  ),
  sum(
    'inlet.sagDepth',
    'Greater of the depths that weir and orifice need (FHWA HEC-22, §4.4.5).',
    { ...inlet, flow },
    { depth: M },
    (given: Parameters<typeof sagDepth>[0]) => ({ depth: sagDepth(given).depth }),
  ),
  sum(
    'channel.profile',
    'Spatially varied flow with growing discharge (Chow 1959, eq. 12-30).',
    { ...channel, lateralInflow: field(notNegative, 'm²/s'), outletDepth: field(notNegative.optional(), M) },
    {
      stations: `${M}, from the closed end`,
      depths: M,
      maxDepth: M,
      overtops: 'true or false',
      outletControl: 'free, drowned or none',
    },
    (given: Parameters<typeof channelProfile>[0]) => {
      const { over: _over, ...profile } = channelProfile(given);
      return profile;
    },
  ),
  sum(
    'channel.capacity',
    'Inflow at which the greatest depth of channel.profile is the channel’s own.',
    channel,
    { lateralInflow: 'm²/s', flow: FLOW },
    channelCapacity,
  ),
  sum(
    'leader.capacity',
    'Q = 27.8 r^(5/3) d^(8/3), gpm and in (Wyly & Eaton, NBS Monograph 31, 1961).',
    { diameter: length, filled: field(share) },
    { flow: FLOW },
    (given: Parameters<typeof leaderCapacity>[0]) => ({ flow: leaderCapacity(given) }),
  ),
  sum(
    'outlet.riprapSize',
    'd50 = 0.2 D (Q/(√g D^2.5))^(4/3) (D/TW) (FHWA HEC-14, eq. 10.4); TW 0.4 D when not given.',
    { diameter: length, flow, tailwater: field(positive.optional(), M) },
    { d50: M },
    (given: Parameters<typeof riprapSize>[0]) => ({ d50: riprapSize(given) }),
  ),
  sum(
    'outlet.isbashSize',
    'V = 0.86 √(2 g (s − 1) d50), s 2.65 (Isbash 1936; USACE HDC 712-1).',
    { velocity: field(positive, 'm/s') },
    { d50: M },
    (given: Parameters<typeof isbashSize>[0]) => ({ d50: isbashSize(given) }),
  ),
  sum(
    'fall.shallowest',
    'z = min(ground − cover − D, z before − s Δx): the greatest element of its bounds.',
    {
      stations: field(rising, M),
      ground: field(z.array(anyNumber).min(1).max(100_000), M),
      cover: field(notNegative, M),
      diameter: length,
      leastSlope: field(notNegative, PITCH),
      outletInvert: field(anyNumber.optional(), M),
    },
    { inverts: M, excavatedArea: AREA, feasible: 'true or false', shortBy: M },
    (given: GroundLine) => shallowestLine(groundLine(given)),
  ),
];
