/** A job as it lies, in a few strokes: its houses, its pipes and where its water leaves. */
import type { JobRow } from '@katabasis/core/first';
import Svg, { Path } from 'react-native-svg';
import { usePalette } from '../../theme/theme';

/** Room round it for the breadth of its strokes, of 100. */
const MARGIN = 6;

interface Props {
  sketch: NonNullable<NonNullable<JobRow['glance']>['sketch']>;
  width: number;
  height: number;
}

export function SketchOfJob({ sketch, width, height }: Props) {
  const { ink, water, soft } = usePalette();
  const box = `${-MARGIN} ${-MARGIN} ${sketch.width + 2 * MARGIN} ${sketch.height + 2 * MARGIN}`;
  // As thick on the screen however large it is drawn.
  const thin = Math.max(sketch.width / width, sketch.height / height);
  const round = { strokeLinecap: 'round', strokeLinejoin: 'round', fill: 'none' } as const;
  return (
    <Svg width={width} height={height} viewBox={box} aria-hidden>
      <Path d={sketch.houses} {...round} stroke={soft} strokeWidth={1.2 * thin} />
      <Path
        d={sketch.ground}
        {...round}
        stroke={soft}
        strokeWidth={1.2 * thin}
        strokeDasharray={`${4 * thin} ${3 * thin}`}
      />
      <Path d={sketch.pipes} {...round} stroke={water} strokeWidth={2.2 * thin} />
      <Path d={sketch.outs} {...round} stroke={ink} strokeWidth={6 * thin} />
    </Svg>
  );
}
