import type { Severity } from '@katabasis/core';
import { memo } from 'react';
import Svg, { Circle, Path, Polygon } from 'react-native-svg';
import { usePalette } from '../theme/theme';

export type MarkKind = Severity | 'holds' | 'empty';

export const MARK_WORDS: Record<MarkKind, string> = {
  stop: 'Stop',
  fix: 'Fix',
  mind: 'Mind',
  holds: 'Holds',
  empty: 'Empty',
};

/** A status by shape: a barred square stops, a wedge wants fixing, a ring is to mind, a tick holds. */
export const Mark = memo(function Mark({ kind, size = 20 }: { kind: MarkKind; size?: number }) {
  const { stop, fix, ink, ground, soft } = usePalette();
  return (
    <Svg width={size} height={size} viewBox="0 0 20 20" aria-hidden>
      {kind === 'stop' && (
        <>
          <Path d="M1 1H19V19H1Z" fill={stop} />
          <Path d="M4.5 10H15.5" stroke={ground} strokeWidth={4} />
        </>
      )}
      {kind === 'fix' && (
        <>
          <Polygon points="10,1 19.5,19 0.5,19" fill={fix} />
          <Path d="M10 7.5V13M10 14.6V17" stroke={ground} strokeWidth={2.4} />
        </>
      )}
      {kind === 'mind' && <Circle cx={10} cy={10} r={7.5} stroke={ink} strokeWidth={2.6} fill="none" />}
      {kind === 'holds' && <Path d="M2 11L8 17L18.5 4" stroke={ink} strokeWidth={3.4} fill="none" />}
      {kind === 'empty' && <Path d="M3 10H17" stroke={soft} strokeWidth={3} strokeDasharray="3 3" />}
    </Svg>
  );
});
