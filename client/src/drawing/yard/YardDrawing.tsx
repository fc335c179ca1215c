/** The plan as it stands in one view: the ground and its water, things by their kinds, words where there is room. */
import type { Place } from '@katabasis/core';
import { memo, useMemo } from 'react';
import Svg, { Circle, G, Path } from 'react-native-svg';
import { usePalette, useTextScale } from '../../theme/theme';
import { clipped } from '@katabasis/core/lettering';
import { pathOf, type DrawOnPlan } from './pens';
import type { Drawn, GroundOnPlan } from './drawn';
import { letteringOf, STRONG_EVERY } from './planWords';
import { PlanWords } from './PlanWords';
import type { Thing } from './scene';
import { spotOf, type Spot, type Viewport } from './viewport';

/** Kinds that are drawn as ground. */
const OVER = new Set<Thing['kind']>(['building', 'roofFace', 'surface']);

export const YardDrawing = memo(function YardDrawing(props: Drawn) {
  const { view, things, ground, draw, chosen, bare = false, underlay } = props;
  const palette = usePalette();
  const scale = useTextScale();
  const lettering = { size: 14 * scale, lineHeight: 17 * scale };
  const plan = bare ? null : letteringOf(props, lettering);
  const isWrittenOver = ({ x, y }: Spot): boolean =>
    plan?.boxes.some(({ left, right, top, bottom }) => x > left && x < right && y > top && y < bottom) ?? false;
  return (
    <Svg width={view.width} height={view.height} aria-hidden>
      {underlay?.(view)}
      {ground?.catchment && <Cells {...ground.catchment} view={view} fill={palette.soil} opacity={0.9} />}
      {things.map((thing) =>
        thing.kind === 'surface' ? (
          <OnPlan key={thing.id} {...{ thing, view, draw }} chosen={thing.id === chosen} />
        ) : null,
      )}
      {ground && <Ground ground={ground} view={view} bare={bare} isWrittenOver={isWrittenOver} />}
      {things.map((thing) =>
        OVER.has(thing.kind) && thing.kind !== 'surface' ? (
          <OnPlan key={thing.id} {...{ thing, view, draw }} chosen={thing.id === chosen} />
        ) : null,
      )}
      {things.map((thing) =>
        OVER.has(thing.kind) ||
        (thing.kind === 'spotLevel' && thing.id !== chosen && isWrittenOver(spotOf(view, thing.places[0]!))) ? null : (
          <OnPlan key={thing.id} {...{ thing, view, draw }} chosen={thing.id === chosen} />
        ),
      )}
      {plan && <PlanWords plan={plan} view={view} empty={things.length === 0} {...lettering} />}
    </Svg>
  );
});

const OnPlan = memo(function OnPlan({
  thing,
  view,
  draw,
  chosen,
}: {
  thing: Thing;
  view: Viewport;
  draw: DrawOnPlan;
  chosen: boolean;
}) {
  const palette = usePalette();
  const spots = thing.places.map((place) => spotOf(view, place));
  const far = spots.every(
    ({ x, y }) => x < -view.width || y < -view.height || x > 2 * view.width || y > 2 * view.height,
  );
  if (far && thing.shape === 'place') return null;
  const path = pathOf(spots, thing.shape === 'outline');
  return <>{draw(thing.element, { ...palette, spots, path, shape: thing.shape, scale: view.scale, chosen })}</>;
});

/** Cells of a grid as one area: squares a little larger than they are, so that no seam shows. */
function Cells({
  cells,
  cell,
  view,
  fill,
  opacity,
}: {
  cells: readonly Place[];
  cell: number;
  view: Viewport;
  fill: string;
  opacity: number;
}) {
  const d = useMemo(() => {
    const half = cell / 2;
    return cells
      .map(({ east, north }) =>
        pathOf(
          [
            { east: east - half, north: north - half },
            { east: east + half, north: north - half },
            { east: east + half, north: north + half },
            { east: east - half, north: north + half },
          ].map((corner) => spotOf(view, corner)),
          true,
        ),
      )
      .join('');
  }, [cells, cell, view]);
  return (
    <Path
      d={d}
      fill={fill}
      stroke={fill}
      strokeWidth={Math.max(1, cell * view.scale * 0.5)}
      strokeLinejoin="round"
      opacity={opacity}
    />
  );
}

interface GroundProps {
  ground: GroundOnPlan;
  view: Viewport;
  bare: boolean;
  /** Whether words stand over a spot. */
  isWrittenOver: (spot: Spot) => boolean;
}

/** A line as a path, broken where words stand over it. */
function broken(spots: readonly Spot[], isWrittenOver: (spot: Spot) => boolean): string {
  const pieces: Spot[][] = [[]];
  for (const spot of spots)
    if (isWrittenOver(spot)) {
      if (pieces.at(-1)!.length > 0) pieces.push([]);
    } else pieces.at(-1)!.push(spot);
  return pieces
    .filter((piece) => piece.length > 1)
    .map((piece) => pathOf(piece, false))
    .join('');
}

/** A way with a spot every few px where it is seen, so that it can be broken anywhere. */
const FINE = 5;
const fine = (spots: readonly Spot[], { width, height }: Viewport): Spot[] =>
  spots.flatMap((spot, k) => {
    const last = spots[k - 1];
    const seen = last && clipped(last, spot, { left: 0, top: 0, right: width, bottom: height });
    if (!seen) return [spot];
    const [from, to] = seen;
    const count = Math.ceil(((to - from) * Math.hypot(spot.x - last.x, spot.y - last.y)) / FINE);
    const inner = Array.from({ length: count }, (_, j) => {
      const share = from + ((to - from) * j) / count;
      return { x: last.x + (spot.x - last.x) * share, y: last.y + (spot.y - last.y) * share };
    });
    return [...inner, spot];
  });

function Ground({ ground, view, bare, isWrittenOver }: GroundProps) {
  const { soft, water, shallow, ink } = usePalette();
  const drawn = (ways: readonly (readonly Place[])[]): string =>
    ways
      .map((way) =>
        broken(
          fine(
            way.map((place) => spotOf(view, place)),
            view,
          ),
          isWrittenOver,
        ),
      )
      .join('');
  const contours = ground.contours.map(({ level, ways, guessed }, k) => ({
    level,
    strong: k % STRONG_EVERY === 0,
    d: drawn(ways),
    guessed: drawn(guessed),
  }));
  return (
    <>
      {contours.map(({ level, strong, d, guessed }) => (
        <G key={level} fill="none" stroke={soft} strokeWidth={strong ? 1.6 : 0.9} opacity={0.75}>
          <Path d={d} />
          {guessed !== '' && <Path d={guessed} strokeDasharray="5 5" />}
        </G>
      ))}
      {ground.ponds.map(({ id, pieces, middle, chosen }) => {
        const d = pieces
          .map((piece) =>
            pathOf(
              piece.map((place) => spotOf(view, place)),
              true,
            ),
          )
          .join('');
        const deepest = spotOf(view, middle);
        return (
          <G key={id} opacity={chosen ? 1 : 0.85}>
            {/* A hair wider, so that no seam shows between pieces. */}
            <Path d={d} fill={shallow} stroke={shallow} strokeWidth={0.8} strokeLinejoin="round" />
            {!isWrittenOver(deepest) && <Circle cx={deepest.x} cy={deepest.y} r={2.5} fill={water} />}
          </G>
        );
      })}
      {ground.ways.map((way, k) => (
        <Path
          key={k}
          d={pathOf(
            way.map((place) => spotOf(view, place)),
            false,
          )}
          fill="none"
          stroke={water}
          strokeWidth={2.5}
          strokeDasharray="2 6"
          strokeLinecap="round"
        />
      ))}
      {!bare &&
        ground.arrows
          .map(([from, to]) => [spotOf(view, from), spotOf(view, to)] as const)
          .filter((ends) => !ends.some(isWrittenOver))
          .map(([from, to], k) => <Arrow key={k} from={from} to={to} colour={ink} />)}
    </>
  );
}

function Arrow({ from, to, colour }: { from: Spot; to: Spot; colour: string }) {
  const along = Math.atan2(to.y - from.y, to.x - from.x);
  const wing = (by: number): Spot => ({ x: to.x - 6 * Math.cos(along + by), y: to.y - 6 * Math.sin(along + by) });
  const [one, other] = [wing(0.5), wing(-0.5)];
  return (
    <Path
      d={`M${from.x} ${from.y}L${to.x} ${to.y}M${one.x} ${one.y}L${to.x} ${to.y}L${other.x} ${other.y}`}
      stroke={colour}
      strokeWidth={1.2}
      fill="none"
      opacity={0.6}
    />
  );
}
