/** Where some things lie: the plan in pale lines, and they strong upon it. Nothing where they have no place. */
import { drawingOf, type Drawing, type Place, type Stroke } from '@katabasis/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Path } from 'react-native-svg';
import { useJob } from '../../../planning/useJob';
import { usePalette } from '../../../theme/theme';

/** Units of the picture: its longer side, and room for marks at its edge. */
const SIDE = 600;
const EDGE = 16;
/** A mark is no smaller than a thumb's nail can be seen beside. */
const MARK = 9;

const BACKGROUND = new Set<Stroke['layer']>(['buildings', 'surfaces', 'pipes', 'works', 'barriers']);

interface WhereProps {
  ids: readonly string[];
  /** One spot besides, as where a rod stands. */
  spot?: Place | null;
  /** Drawn also where none of them lies on it. */
  always?: boolean;
}

export function WhereOnPlan({ ids, spot = null, always = false }: WhereProps) {
  const { job, plan } = useJob();
  const drawing = useMemo(() => drawingOf(job, plan, false), [job, plan]);
  const wanted = new Set(ids);
  const strong = drawing.strokes.filter(({ element }) => element !== null && wanted.has(element.id));
  if (!drawing.extent || (strong.length === 0 && !always)) return null;
  return <Picture drawing={drawing} extent={drawing.extent} strong={strong} spot={spot} />;
}

interface Props {
  drawing: Drawing;
  extent: NonNullable<Drawing['extent']>;
  strong: readonly Stroke[];
  spot: Place | null;
}

function Picture({ drawing, extent, strong, spot }: Props) {
  const { line, bank, ink, ground } = usePalette();
  const [across, up] = [extent.east - extent.west, extent.north - extent.south];
  const scale = SIDE / Math.max(across, up, 1);
  const x = ({ east }: Place): number => EDGE + (east - extent.west) * scale;
  const y = ({ north }: Place): number => EDGE + (extent.north - north) * scale;
  const path = (places: readonly Place[], closed: boolean): string =>
    places.map((place, k) => `${k === 0 ? 'M' : 'L'}${x(place).toFixed(1)} ${y(place).toFixed(1)}`).join('') +
    (closed ? 'Z' : '');
  const [width, height] = [across * scale + 2 * EDGE, up * scale + 2 * EDGE];
  const pale = drawing.strokes.filter(({ layer }) => BACKGROUND.has(layer));
  return (
    <View aria-hidden style={{ maxWidth: 420 }} testID="where">
      <Svg viewBox={`0 0 ${width} ${height}`} width="100%" style={{ aspectRatio: width / height }}>
        {pale.map((stroke, k) =>
          stroke.shape === 'mark' ? null : (
            <Path
              key={k}
              d={path(stroke.places, stroke.shape === 'outline')}
              fill={stroke.shape === 'outline' ? bank : 'none'}
              stroke={line}
              strokeWidth={2}
            />
          ),
        )}
        {strong.map((stroke, k) =>
          stroke.shape === 'mark' ? (
            <Circle key={k} cx={x(stroke.at)} cy={y(stroke.at)} r={Math.max(MARK, stroke.radius * scale)} fill={ink} />
          ) : (
            <Path
              key={k}
              d={path(stroke.places, stroke.shape === 'outline')}
              fill="none"
              stroke={ink}
              strokeWidth={8}
              strokeLinejoin="round"
              strokeLinecap="round"
            />
          ),
        )}
        {spot && (
          <Circle cx={x(spot)} cy={y(spot)} r={1.6 * MARK} fill={ground} stroke={ink} strokeWidth={6} testID="spot" />
        )}
      </Svg>
    </View>
  );
}
