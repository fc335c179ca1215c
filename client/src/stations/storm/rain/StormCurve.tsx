/** How something rose and fell in a storm: a small curve beside its words, with the time that the picture shows. */
import Svg, { Line, Path } from 'react-native-svg';
import { usePalette } from '../../../theme/theme';

const [WIDTH, HEIGHT] = [84, 30];

export function StormCurve({ figures, at }: { figures: readonly number[]; at: number }) {
  const { water, shallow, ink, line } = usePalette();
  const most = Math.max(...figures, 1e-9);
  const x = (k: number): number => (k / Math.max(1, figures.length - 1)) * WIDTH;
  const y = (figure: number): number => HEIGHT - 2 - (Math.max(0, figure) / most) * (HEIGHT - 5);
  const d = figures.map((figure, k) => `${k === 0 ? 'M' : 'L'}${x(k).toFixed(1)} ${y(figure).toFixed(1)}`).join('');
  return (
    <Svg width={WIDTH} height={HEIGHT} aria-hidden>
      <Path d={`${d}L${WIDTH} ${HEIGHT - 2}L0 ${HEIGHT - 2}Z`} fill={shallow} />
      <Path d={d} fill="none" stroke={water} strokeWidth={2} />
      <Line x1={0} x2={WIDTH} y1={HEIGHT - 1} y2={HEIGHT - 1} stroke={line} strokeWidth={1} />
      <Line x1={x(at)} x2={x(at)} y1={0} y2={HEIGHT} stroke={ink} strokeWidth={2} />
    </Svg>
  );
}
