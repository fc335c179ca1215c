/** Pictures under the plan, to scale: each lies by two of its spots. */
import { ofKind, type Job, type Underlay } from '@katabasis/core';
import { Image as SvgImage } from 'react-native-svg';
import { spotOf, type Viewport } from '../../drawing/yard/viewport';
import { useFile } from '../../parts/Picture';

/** Its transform from px of a picture one high to the screen: both spots come to lie where they belong. */
export function transformOf({ a, b, ratio }: Underlay, view: Viewport): string {
  const [to, from] = [spotOf(view, b.place), spotOf(view, a.place)];
  const [dx, dy] = [(b.spot.across - a.spot.across) * ratio, b.spot.down - a.spot.down];
  const square = dx * dx + dy * dy || 1;
  const [px, py] = [to.x - from.x, to.y - from.y];
  // A turn and a scale as one complex number: (p) / (d).
  const [cos, sin] = [(px * dx + py * dy) / square, (py * dx - px * dy) / square];
  const [ax, ay] = [a.spot.across * ratio, a.spot.down];
  return `matrix(${cos} ${sin} ${-sin} ${cos} ${from.x - (cos * ax - sin * ay)} ${from.y - (sin * ax + cos * ay)})`;
}

export function Underlays({ job, view }: { job: Job; view: Viewport }) {
  return (
    <>
      {ofKind(job, 'underlay').map((each) => (
        <One key={each.id} underlay={each} view={view} />
      ))}
    </>
  );
}

function One({ underlay, view }: { underlay: Underlay; view: Viewport }) {
  const url = useFile(underlay.file);
  if (!url) return null;
  return (
    <SvgImage
      href={{ uri: url }}
      width={underlay.ratio}
      height={1}
      preserveAspectRatio="none"
      opacity={0.55}
      transform={transformOf(underlay, view)}
    />
  );
}
