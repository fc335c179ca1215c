/** Drains in the ground. */
import { drainUnderHouse } from './drainUnderHouse';
import { drainUphill } from './drainUphill';
import { roofInPerforated } from './roofInPerforated';
import { rainInPerforated } from './rainInPerforated';
import { drainShallow } from './drainShallow';
import { drainWide } from './drainWide';
import { drainFull } from './drainFull';
import { soilUnlikely } from './soilUnlikely';
import { drainSlow } from './drainSlow';
import { beddingPoor } from './beddingPoor';
import { fabricMissing } from './fabricMissing';
import { drainAmongRoots } from './drainAmongRoots';
import type { Rule } from '../../snag';

/** In the order in which snags of one weight are told. */
export const drainRules: readonly Rule[] = [
  drainUnderHouse,
  drainUphill,
  roofInPerforated,
  rainInPerforated,
  drainShallow,
  drainWide,
  drainFull,
  soilUnlikely,
  drainSlow,
  beddingPoor,
  fabricMissing,
  drainAmongRoots,
];
