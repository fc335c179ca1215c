/** A yard with one of every inlet: in a dip, on a slope, over several outlets, below a valley; and with all that a run can be. */
import { basin, channel, face, ground, jobOf, out, pipe, rain, spout } from './parts';

export const inletYard = jobOf(
  rain({ openings: { returnPeriod: 100, intensity: 8e-5 } }),
  ground(180, 'basin'),
  ground(150, 'channel'),
  ground(60, 'high'),
  face(150, 'spout', { valley: { gutterRun: 6 } }),
  { id: 'sump', kind: 'fixedFlow', name: 'Sump pump', flow: 0.0013, feeds: [{ to: 'high', share: 1 }] },
  basin({ sillLevel: 0.3, spillLevel: 0.2, sumpDepth: 0.3, clogging: 0.4 }),
  channel({ sillLevel: 0.25, outlet: [2, 9], section: 'round', slope: 0.004 }),
  basin({ id: 'high', name: 'High', approach: { slope: 0.05, roughness: 0.012, width: 2 }, passesTo: 'basin' }),
  spout({ size: 'rect2x3' }),
  out({ groundLevel: -1.9 }),
  pipe('basin', { parallel: 3, nominal: 0.1524, grade: { type: 'pitch', pitch: 0.013 } }),
  pipe('channel', { nominal: 0.1016 }),
  pipe('high', { to: 'basin', length: 8 }),
  pipe('spout', { to: 'basin', length: 12 }),
);
