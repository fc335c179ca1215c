/**
 * The inside of a channel drain: upright walls on a flat floor, or on a half round.
 *
 *     |       |      |       |     width w
 *     |       |      |       |     round: below y = w/2 a circle's segment, above it the walls add w (y − w/2)
 *     |_______|       \__ __/
 */
import { GRAVITY } from '../units/constants';
import { criticalDepth } from './criticalDepth';
import { segmentOf } from './pipe';

export const CHANNEL_SECTIONS = ['flat', 'round'] as const;
export type ChannelSection = (typeof CHANNEL_SECTIONS)[number];

/** Figures of a section at a depth y (m, more than 0). */
export interface Shape {
  /** m² */
  area(y: number): number;
  /** Width of the water's surface, m. */
  top(y: number): number;
  /** Wetted, m. */
  perimeter(y: number): number;
  /** First moment of the area about the surface, ∫A dy, m³: what the water pushes with, over ρg. */
  moment(y: number): number;
  /** Depth (m) at which a flow (m³/s) is critical: Q² T = g A³. */
  critical(flow: number): number;
}

const flat = (width: number): Shape => ({
  area: (y) => width * y,
  top: () => width,
  perimeter: (y) => width + 2 * y,
  moment: (y) => (width * y * y) / 2,
  critical: (flow) => Math.cbrt((flow / width) ** 2 / GRAVITY),
});

function round(width: number): Shape {
  const radius = width / 2;
  const half = (Math.PI * radius * radius) / 2;
  /** Central angle of the wetted arc, for y up to the radius. */
  const angle = (y: number): number => 4 * Math.asin(Math.sqrt(Math.min(1, y / width)));
  const area = (y: number): number =>
    y >= radius ? half + width * (y - radius) : ((radius * radius) / 2) * segmentOf(angle(y));
  return {
    area,
    top: (y) => (y >= radius ? width : width * Math.sin(angle(y) / 2)),
    perimeter: (y) => (y >= radius ? Math.PI * radius + 2 * (y - radius) : radius * angle(y)),
    moment: (y) => {
      if (y < radius) return (2 / 3) * (radius * Math.sin(angle(y) / 2)) ** 3 - (radius - y) * area(y);
      const wall = y - radius;
      return (2 / 3) * radius ** 3 + half * wall + (width * wall * wall) / 2;
    },
    critical: (flow) => {
      // T = w above the half round, and there A³ = Q² w / g.
      const above = Math.cbrt((flow * flow * width) / GRAVITY);
      return above >= half ? radius + (above - half) / width : criticalDepth({ diameter: width, flow });
    },
  };
}

/** `width` inside, m. */
export const shapeOf = (section: ChannelSection, width: number): Shape =>
  section === 'round' ? round(width) : flat(width);
