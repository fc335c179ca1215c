/** The plan as it stands in one view: the ground and its water, things by their kinds, words where there is room. */
import type { Place } from '@katabasis/core';
import { Fragment, memo, useMemo } from 'react';
import Svg, { Path } from 'react-native-svg';
import { usePalette } from '../../theme/theme';
import { pathOf, type DrawOnPlan } from './pens';
import type { Drawn, GroundOnPlan } from './drawn';
import { OVER, PlanWords } from './PlanWords';
import type { Thing } from './scene';
import { spotOf, type Spot, type Viewport } from './viewport';

export const YardDrawing = memo(function YardDrawing(props: Drawn) {
  const { view, things, ground, draw, chosen, bare = false, underlay } = props;
  const palette = usePalette();
  return (
    <Svg width={view.width} height={view.height} aria-hidden>
      {underlay?.(view)}
      {ground?.catchment && <Cells {...ground.catchment} view={view} fill={palette.soil} opacity={0.9} />}
      {things.map((thing) =>
        thing.kind === 'surface' ? (
          <OnPlan key={thing.id} {...{ thing, view, draw }} chosen={thing.id === chosen} />
        ) : null,
      )}
      {ground && <Ground ground={ground} view={view} bare={bare} />}
      {things.map((thing) =>
        OVER.has(thing.kind) && thing.kind !== 'surface' ? (
          <OnPlan key={thing.id} {...{ thing, view, draw }} chosen={thing.id === chosen} />
        ) : null,
      )}
      {things.map((thing) =>
        OVER.has(thing.kind) ? null : <OnPlan key={thing.id} {...{ thing, view, draw }} chosen={thing.id === chosen} />,
      )}
      {!bare && <PlanWords {...props} />}
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

function Ground({ ground, view, bare }: { ground: GroundOnPlan; view: Viewport; bare: boolean }) {
  const { soft, water, shallow, ink } = usePalette();
  const contours = useMemo(
    () =>
      ground.contours.map(({ level, ways }, k) => ({
        level,
        strong: k % 5 === 0,
        d: ways
          .map((way) =>
            pathOf(
              way.map((place) => spotOf(view, place)),
              false,
            ),
          )
          .join(''),
      })),
    [ground.contours, view],
  );
  return (
    <>
      {contours.map(({ level, strong, d }) => (
        <Path key={level} d={d} fill="none" stroke={soft} strokeWidth={strong ? 1.6 : 0.9} opacity={0.75} />
      ))}
      {ground.ponds.map(({ id, cells, cell, chosen }) => (
        <Fragment key={id}>
          <Cells cells={cells} cell={cell} view={view} fill={shallow} opacity={chosen ? 1 : 0.85} />
        </Fragment>
      ))}
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
        ground.arrows.map(([from, to], k) => (
          <Arrow key={k} from={spotOf(view, from)} to={spotOf(view, to)} colour={ink} />
        ))}
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
